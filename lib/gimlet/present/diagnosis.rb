# frozen_string_literal: true

require_relative "../core/plain"

module Gimlet
  module Present
    # What the complaints point to, as the API answers it.
    module Diagnosis
      SHOWN = 5

      module_function

      # @param result [Counter::DiagnoseCall::Result]
      # @param areas [Hash{String=>String}] work area id => name
      def call(result, areas)
        found = result.found
        { suspects: found.suspects.first(SHOWN).map { |one| suspect(one) },
          scope: found.scope.map { |id| { id: id, name: areas.fetch(id, Core::Plain.name(id)) } }, enough: found.enough.round(4),
          rule_out: found.first.map { |sign| check(sign, result) }, checks: found.next_checks.map { |next_check| check(next_check.sign, result) },
          checked: result.checked.map { |sign, there| { id: sign.id, name: sign.name, result: there ? "yes" : "no" } } }
      end

      def suspect(suspect)
        { id: suspect.cause.id, name: suspect.cause.name, probability: suspect.probability.round(4), because: suspect.cause.because,
          pump: suspect.cause.pump?,
          signs: suspect.signs.map(&:name) }
      end

      def check(sign, result)
        { id: sign.id, ask: sign.ask, minutes: (sign.seconds / 60.0).round(1), sum: result.sums[sign.id] }
      end
    end
  end
end
