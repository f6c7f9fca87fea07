# frozen_string_literal: true

require_relative "../0_quantities/entropy"
require_relative "../value"
require_relative "model"

module Gimlet
  module Core
    module Diagnosis
      # A cause with its probability and the signs that speak for it.
      Suspect = Value.of(:cause, :probability, :signs)
      # What to check next: `bits` expected of it, `suspects` it is about.
      Check = Value.of(:sign, :bits)
      # `suspects` the likeliest first; `scope` the smallest set of areas that mends it with a chance of `enough`; `first` checks that may
      # show that the pump is not at fault, before parts are bought; `next_checks` the most telling in a minute first.
      Found = Value.of(:suspects, :scope, :enough, :first, :next_checks) do
        # @return [Suspect, nil] the cause that is likelier than not
        def named = suspects.first&.then { |one| one if one.probability >= NAMED }
      end
      NAMED = 0.5

      # From what is noticed to what has gone: the exact posterior over one to three causes at once.
      class Diagnose
        AT_ONCE = 3
        # A sign that is there is told of its own accord about so often. Common practice, no source.
        TOLD = 0.5
        # A second fault at the same time is so much rarer than its share of calls. Common practice, no source.
        ANOTHER = 0.3
        # A scope mends it with this chance, or one more area is added.
        ENOUGH = 0.8
        WORTH_RULING_OUT = 0.08
        SHOWN = 0.02
        CHECKS = 3
        # A check that tells less than this, in bits, is not worth a caller's time.
        TELLING = 0.04

        # @param model [Model]
        def initialize(model)
          @model = model
          @sets = (1..AT_ONCE).flat_map { |size| model.causes.combination(size).to_a }
        end

        # @param told [Array<String>] ids of signs that were told of
        # @param checked [Hash{String=>Boolean}] sign id => whether it was there when it was checked
        # @param measured [Hash{String=>Array(Float, Float)}] sign id => how likely what was measured is where the sign is there, and where not
        # @return [Found, nil] nil where nothing was noticed
        def call(told, checked = {}, measured = {})
          told = told.select { |id| @model.signs.key?(id) }
          return if told.empty? && checked.empty? && measured.empty?

          belief = weigh(told, checked, measured)
          checked = measured.transform_values { |there, gone| there > gone }.merge(checked)
          suspects = suspects(belief, told + checked.select { |_, there| there }.keys)
          scope, enough = scope(belief)
          Found.new(suspects: suspects, scope: scope, enough: enough, first: rule_out(suspects, checked), next_checks: next_checks(belief, checked))
        end

        private

        # @return [Hash{Array<Cause>=>Float}] sums to 1
        def weigh(told, checked, measured)
          weights = @sets.to_h { |causes| [causes, prior(causes) * likelihood(causes, told, checked, measured)] }
          total = weights.values.sum
          weights.transform_values { |weight| weight / total }
        end

        def prior(causes) = causes.reduce(ANOTHER**(causes.size - 1)) { |all, one| all * one.often }

        def likelihood(causes, told, checked, measured)
          @model.signs.values.reduce(1.0) do |all, sign|
            chance = sign.chance(causes)
            all * if measured.key?(sign.id) then measured[sign.id].then { |there, gone| (chance * there) + ((1 - chance) * gone) }
                  elsif checked.key?(sign.id) then checked[sign.id] ? chance : 1 - chance
                  elsif told.include?(sign.id) then chance
                  elsif sign.ask then 1
                  else 1 - (TOLD * chance)
                  end
          end
        end

        def suspects(belief, there)
          all = @model.causes.map do |cause|
            signs = there.map { |id| @model.signs.fetch(id) }.select { |sign| sign.shows.key?(cause.id) }
            Suspect.new(cause: cause, probability: marginal(belief, cause), signs: signs)
          end
          all.select { |one| one.probability >= SHOWN }.sort_by { |one| -one.probability }
        end

        def marginal(belief, cause) = belief.sum { |causes, weight| causes.include?(cause) ? weight : 0 }

        # Of equally small sets of areas the surer one; nothing where the pump is hardly at fault.
        def scope(belief)
          at_fault = belief.select { |causes, _| causes.any?(&:pump?) }
          mass = at_fault.values.sum
          return [[], 1 - mass] if mass < 0.5

          needs = at_fault.each_with_object(Hash.new(0)) { |(causes, weight), all| all[causes.flat_map(&:areas).uniq.sort] += weight / mass }
          sufficient(needs)
        end

        def sufficient(needs)
          units = @model.causes.map(&:areas).reject(&:empty?).uniq
          (1..units.size).each do |size|
            best = units.combination(size).map { |some| some.flatten.uniq }
                        .to_h { |areas| [areas, needs.sum { |need, weight| (need - areas).empty? ? weight : 0 }] }.max_by(&:last)
            return best if best.last >= ENOUGH
          end
          [units.flatten.uniq, 1.0]
        end

        # Checks of causes that no part mends.
        def rule_out(suspects, checked)
          doubtful = suspects.reject { |suspect| suspect.cause.pump? }.select { |suspect| suspect.probability >= WORTH_RULING_OUT }
          doubtful.filter_map do |one|
            @model.checks.reject { |sign| checked.key?(sign.id) }.select { |sign| sign.shows.fetch(one.cause.id, 0) > 0.8 }
                  .max_by { |sign| sign.shows[one.cause.id] / sign.shows.size }
          end.uniq
        end

        def next_checks(belief, checked)
          open = @model.checks.reject { |sign| checked.key?(sign.id) }
          open.map { |sign| Check.new(sign: sign, bits: gain(belief, sign)) }.select { |one| one.bits > TELLING }
              .max_by(CHECKS) { |one| one.bits / one.sign.seconds }
        end

        def gain(belief, sign)
          there = belief.map { |causes, weight| weight * sign.chance(causes) }
          gone = belief.map(&:last).zip(there).map { |weight, part| weight - part }
          Entropy.weighed(belief.map(&:last)) - Entropy.weighed(there) - Entropy.weighed(gone)
        end
      end
    end
  end
end
