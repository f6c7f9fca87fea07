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
        kept.map { |row| { of: row.of, item: row.item, what: row.what, measure: row.measure, **(row.problem ? lost(row) : send(row.what, row)) } }
      end

      def lost(measured)
        { told: Core::Ticket::Kinds::Measured.in_words("what" => measured.what, "measure" => measured.measure), verdict: measured.problem, sums: [] }
      end

      def flow(flow)
        shown = MeasuredFlow.call(flow.found)
        { told: Core::Ticket::Kinds::Measured.flow(flow.measure), verdict: shown[:verdict],
          sums: (shown[:told] + shown[:disagreements]).map { |sum| sum[:sum] } }
      end

      def seal(measured)
        shown = MeasuredSeal.call(measured.found)
        best = (shown[:on_file] + shown[:standard]).find { |row| row[:label] == shown[:verdict][:name] }
        { told: shown[:told], verdict: [shown[:verdict][:name], shown[:verdict][:words]].compact.join(": "),
          sums: best ? best[:sums].map { |sum| "#{sum[:name]} #{sum[:sum]}" } : [] }
      end
    end
  end
end
