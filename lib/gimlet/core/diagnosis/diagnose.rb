# frozen_string_literal: true

require_relative "../0_quantities/entropy"
require_relative "../value"
require_relative "belief"
require_relative "evidence"
require_relative "least_work"
require_relative "model"

module Gimlet::Core
  module Diagnosis
    # Causes that are told together, with their probability and the signs that speak for them: `cause` is the likeliest of the group, `finer`
    # [[cause, probability]] all of it, the likeliest first.
    Suspect = Value.of(:cause, :probability, :signs, :finer)
    # What to check next: `bits` expected of it.
    Check = Value.of(:sign, :bits)
    # `suspects` the likeliest first; `offer` the least work that is sensible; `first` checks that may show that the pump is not at fault,
    # before parts are bought; `next_checks` the most telling in a minute first; `stop` the signs that are there for which it must not be run;
    # `closer` the sign that should be told more closely first, nil where there is none.
    Found = Value.of(:suspects, :offer, :first, :next_checks, :stop, :closer) do
      # @return [Suspect, nil] the cause that is likelier than not
      def named = suspects.first&.then { |one| one if one.probability >= NAMED }
      def scope = offer.areas
      def enough = offer.enough
    end
    NAMED = 0.5

    # From what is noticed to what has gone.
    #
    #   Diagnose.new(model).call(%w[water_leak opened_seals]).suspects.first.cause.name # => "seal in backwards"
    class Diagnose
      WORTH_RULING_OUT = 0.08
      SHOWN = 0.02
      CHECKS = 3
      # A check that tells less than this, in bits, is not worth a caller's time.
      TELLING = 0.04

      # @param model [Model]
      def initialize(model)
        @model = model
        @belief = Belief.new(model)
        @least_work = LeastWork.new(model)
      end

      # @param told [Array<String>] ids of signs that were told of
      # @param checked [Hash{String=>Boolean}] sign id => whether it was there when it was checked; false too where it was denied
      # @param measured [Hash{String=>Array(Float, Float)}] sign id => how likely what was measured is where the sign is there, and where not
      # @return [Found, nil] nil where nothing was noticed
      def call(told, checked = {}, measured = {})
        evidence = Evidence.new(told: told.select { |id| @model.signs.key?(id) }, checked: checked, measured: measured)
        return if evidence.empty?

        belief = @belief.call(evidence)
        stop = evidence.there.select { |id| @model.stops?(id) }
        suspects, open = suspects(belief, evidence.there), open_checks(evidence, stop)
        Found.new(suspects: suspects, offer: @least_work.call(belief, evidence.there), first: rule_out(suspects, open),
                  next_checks: next_checks(belief, open), stop: stop, closer: closer(evidence))
      end

      private

      # A pump that must not be run is not asked what only a running one tells.
      def open_checks(evidence, stop)
        @model.checks.reject { |sign| evidence.known?(sign) || (stop.any? && sign.runs) }
      end

      def closer(evidence)
        there = evidence.there
        @model.closely.keys.find { |id| there.include?(id) && @model.closer(id).none? { |sign| there.include?(sign.id) } }
      end

      def suspects(belief, there)
        all = @model.causes.group_by(&:group).values.map { |group| suspect(group, belief, there) }
        all.select { |one| one.probability >= SHOWN }.sort_by { |one| -one.probability }
      end

      # No two causes of a group are at work at once: their shares add up.
      def suspect(group, belief, there)
        finer = group.map { |cause| [cause, Belief.share(belief, cause)] }.sort_by { |_, share| -share }
        ids = group.map(&:id)
        signs = there.map { |id| @model.signs.fetch(id) }.select { |sign| sign.shows.keys.intersect?(ids) }
        Suspect.new(cause: finer.first.first, probability: finer.sum(&:last), signs: signs, finer: finer)
      end

      # Checks of causes that no part mends.
      def rule_out(suspects, open)
        doubtful = suspects.flat_map(&:finer).reject { |cause, _| cause.pump? }.select { |_, share| share >= WORTH_RULING_OUT }
        doubtful.filter_map do |cause, _|
          open.select { |sign| sign.shows.fetch(cause.id, 0) > 0.8 }.max_by { |sign| sign.shows[cause.id] / sign.shows.size }
        end.uniq
      end

      def next_checks(belief, open)
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
