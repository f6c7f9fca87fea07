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

      # @param ticket [Core::Ticket::Folded]
      # @param pump [Core::Catalogue::Variant, nil]
      # @return [Result, nil] nil where nothing is complained of
      def call(ticket, pump)
        checked = ticket.checked.transform_values { |result| ANSWERS.fetch(result) }
        found = @reference.field.recall(:results, [:diagnosis, ticket.complaints, checked]) { [DIAGNOSE.call(ticket.complaints, checked)] }.first
        found && Result.new(found: found, sums: Core::Diagnosis::Sums.call(*ratings(ticket, pump)), checked: by_sign(checked))
      end

      private

      def by_sign(checked) = checked.transform_keys { |id| MODEL.signs.fetch(id) }

      # Of the pump that leads, else as they were told.
      def ratings(ticket, pump)
        %w[flow_l_min pressure_bar].map { |id| pump&.trait(id) || told(ticket, id) }
      end

      def told(ticket, id)
        row = ticket.readings.find { |one| one[:trait].to_s == id && one[:value].is_a?(Numeric) && !one[:denied] } or return
        Core::Quantity.of(row[:value],
                          row[:unit] || @reference.vocabulary.trait(id).unit).to(@reference.vocabulary.trait(id).unit).value.to_f.round(1)
      end
    end
  end
end
