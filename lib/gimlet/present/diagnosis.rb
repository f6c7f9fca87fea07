# frozen_string_literal: true

require_relative "../core/plain"

module Gimlet
  module Present
    # What the complaints point to, as the API answers it.
    module Diagnosis
      SHOWN = 5
      # A cause with this share of its kind is named beside the likeliest.
      NAMED = 0.15

      module_function

      # @param result [Counter::DiagnoseCall::Result]
      # @param areas [Hash{String=>String}] work area id => name
      # @param model [Core::Diagnosis::Model]
      def call(result, areas, model)
        found = result.found
        { suspects: found.suspects.first(SHOWN).map { |one| suspect(one, model) }, no_parts: no_parts(found, model),
          closer: closer(found.closer, model),
          scope: found.scope.map { |id| { id: id, name: areas.fetch(id, Core::Plain.name(id)) } }, enough: found.enough.round(4),
          left: found.offer.left.map { |cause, chance| { id: cause.id, name: cause.name, probability: chance.round(4) } },
          rule_out: found.first.map { |sign| check(sign, result) }, checks: found.next_checks.map { |next_check| check(next_check.sign, result) },
          checked: result.checked.map { |sign, there| { id: sign.id, name: sign.name, result: there ? "yes" : "no" } } }
      end

      def closer(id, model)
        id && { id: id, ask: model.closely.fetch(id), options: model.closer(id).map { |sign| { id: sign.id, name: sign.name, say: sign.say } } }
      end

      def no_parts(found, model)
        model.lies.fetch(found.suspects.first&.cause&.at || "pump")["no_parts"] if found.scope.empty?
      end

      def suspect(suspect, model)
        cause = suspect.cause
        lies = model.lies.fetch(cause.at)["said"]
        { id: cause.id, name: [cause.name, lies && "(#{lies})"].compact.join(" "), probability: suspect.probability.round(4),
          because: cause.because, pump: cause.pump?, mend: cause.mend,
          signs: suspect.signs.map(&:name), finer: finer(suspect) }
      end

      # What else of its kind it may be.
      def finer(suspect)
        others = suspect.finer.drop(1).select { |_, share| share >= suspect.probability * NAMED }
        others.map { |other, share| { id: other.id, name: other.name, probability: share.round(4) } }
      end

      def check(sign, result)
        { id: sign.id, ask: sign.ask, minutes: (sign.seconds / 60.0).round(1), sum: result.sums[sign.id] }
      end
    end
  end
end
