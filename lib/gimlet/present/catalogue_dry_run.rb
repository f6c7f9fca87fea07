# frozen_string_literal: true

require_relative "draft"

module Gimlet
  module Present
    # What a catalogue document would change, as an answer.
    module CatalogueDryRun
      SHOWN = 200

      module_function

      # @param found [Counter::ImportCatalogue::DryRun] of one document
      # @return [Hash] of the OpenAPI schema CatalogueDryRun
      def call(found)
        id, changes = found.changes.first
        { id: id, mark: found.mark, warnings: found.warnings.map { |finding| "#{finding.place}: #{finding.text}" }, changed: changes.size,
          changes: changes.first(SHOWN).map(&:to_h), effects: found.effects.first(SHOWN).map { |one| Draft.effect(one) } }
      end
    end
  end
end
