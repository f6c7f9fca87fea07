# frozen_string_literal: true

require_relative "../core/diagnosis/diagnose"
require_relative "../core/diagnosis/sums"
require_relative "../core/value"
require_relative "../exchange/vocabulary_files"

module Gimlet
  module Counter
    # What a ticket's complaints and checks point to.
    class DiagnoseCall
      # `found` a Core::Diagnosis::Found, `sums` { sign id => sum in words }, `checked` { Core::Diagnosis::Sign => whether it was there }.
      Result = Core::Value.of(:found, :sums, :checked)
      MODEL = Exchange::VocabularyFiles.diagnosis
      DIAGNOSE = Core::Diagnosis::Diagnose.new(MODEL)
      ANSWERS = { "yes" => true, "no" => false }.freeze

      # @param reference [Reference]
      def initialize(reference)
        @reference = reference
      end

      # @param ticket [Core::Ticket::TicketState]
      # @param pump [Core::Catalogue::Variant, nil]
      # @param measured [Array<MeasuredOnTicket::Kept>]
      # @return [Result, nil] nil where nothing is complained of
      def call(ticket, pump, measured = [])
        checked = ticket.checked.transform_values { |result| ANSWERS.fetch(result) }
        there, denied = ticket.signs.slice(*MODEL.signs.keys).partition(&:last)
        denied = ruled_out(pump).merge(denied.to_h, checked)
        key = [:diagnosis, there, denied, weighed = weighed(measured)]
        found = @reference.field.recall(:results, key) do
          [there.any? || checked.any? || weighed.any? ? DIAGNOSE.call(there.map(&:first), denied, weighed) : nil]
        end.first
        found && Result.new(found: found, sums: Core::Diagnosis::Sums.call(*ratings(ticket, pump)), checked: by_sign(checked))
      end

      private

      # A shaft with a bore sits on its motor: there is no belt to slip.
      def ruled_out(pump) = pump&.trait("shaft_kind") == "hollow" ? { "belt_slips" => false } : {}

      # The last bucket counts, unless it cannot be, and only what is not as it should be, or clears what is complained of.
      def weighed(measured)
        last = measured.select { |one| one.what == "flow" }.last&.found
        told = last.nil? || last.doubt ? [] : last.told
        told.select(&:sign).to_h { |one| [one.sign, [one.there, one.gone]] }
      end

      def by_sign(checked) = checked.transform_keys { |id| MODEL.signs.fetch(id) }

      # Of the pump that leads, else as they were told.
      def ratings(ticket, pump)
        %w[flow_l_min pressure_bar].map { |id| pump&.trait(id) || answer_of(ticket, id) }
      end

      def answer_of(ticket, id)
        row = ticket.readings.find { |reading| reading[:trait].to_s == id && reading[:value].is_a?(Numeric) && !reading[:denied] } or return
        Core::Quantity.of(row[:value],
                          row[:unit] || @reference.vocabulary.trait(id).unit).to(@reference.vocabulary.trait(id).unit).value.to_f.round(1)
      end
    end
  end
end
