# frozen_string_literal: true

module Gimlet
  module Present
    # What a catalogue document would change, as an answer.
    module CatalogueLook
      SHOWN = 200

      module_function

      # @param look [Counter::ImportCatalogue::Look] of one document
      # @return [Hash] of the OpenAPI schema CatalogueLook
      def call(look)
        id, changes = look.changes.first
        { id: id, mark: look.mark, warnings: look.warnings.map { |finding| "#{finding.place}: #{finding.text}" }, changed: changes.size,
          changes: changes.first(SHOWN).map(&:to_h) }
      end
    end
  end
end
