# frozen_string_literal: true

require_relative "../core/ticket/kinds"
require_relative "measured_flow"
require_relative "measured_seal"

module Gimlet
  module Present
    # What was measured in the course of a ticket: what was told, the verdict, the sums.
    module MeasuredOnTicket
      module_function

      # @param kept [Array<Counter::MeasuredOnTicket::Kept>]
      # @return [Array<Hash>]
      def call(kept)
        kept.map { |one| { of: one.of, item: one.item, what: one.what, measure: one.measure, **(one.problem ? lost(one) : send(one.what, one)) } }
      end

      def lost(one)
        { told: Core::Ticket::Kinds::Measured.told("what" => one.what, "measure" => one.measure), verdict: one.problem, sums: [] }
      end

      def flow(one)
        shown = MeasuredFlow.call(one.found)
        { told: Core::Ticket::Kinds::Measured.flow(one.measure), verdict: shown[:verdict],
          sums: (shown[:told] + shown[:disagreements]).map { |sum| sum[:sum] } }
      end

      def seal(one)
        shown = MeasuredSeal.call(one.found)
        best = (shown[:on_file] + shown[:standard]).find { |row| row[:label] == shown[:verdict][:name] }
        { told: shown[:told], verdict: [shown[:verdict][:name], shown[:verdict][:words]].compact.join(": "),
          sums: best ? best[:sums].map { |sum| "#{sum[:name]} #{sum[:sum]}" } : [] }
      end
    end
  end
end
