# frozen_string_literal: true

require_relative "../value"
require_relative "differences"
require_relative "doubts"
require_relative "field"
require_relative "pumps/flow_check"
require_relative "next_question"
require_relative "order_classes"
require_relative "plate_check"
require_relative "posterior"
require_relative "size_check"

module Gimlet::Core
  module Identification
    # `at` is a place in the field.
    Candidate = Value.of(:at, :probability, :order_class)
    # `none` is the probability that the pump is in no catalogue, `kin` then a place of the family that it seems to be of; `blockers` says, as
    # ids, why there is not yet enough to order; `to_open` is asked of who cannot open it, once nothing else would tell more; `pumps` and `orders`
    # count what is still possible.
    Identified = Value.of(:candidates, :order_classes, :none, :kin, :to_open, :enough, :blockers, :questions, :doubts, :differences, :flow,
                          :pumps, :orders) do
      # @return [Boolean] whether some pump of the catalogue explains what was seen better than a pump that it has not
      def plausible = !blockers.include?("not_in_catalogue")

      # @return [Boolean] whether one order leads clearly enough to show it
      def clear = plausible && order_classes.first.probability >= OrderClasses::CLEAR

      # @return [Array<OrderClass>] the orders that the leading one must be told apart from, itself first
      def likely = order_classes.select.with_index { |order_class, at| at.zero? || order_class.probability >= OrderClasses::LIKELY }
    end

    # From readings to candidates, order classes, doubts and the next question.
    class Identify
      SHOWN = 40
      COMPARED = 5
      WORTH_COMPARING = 0.01
      # Hypotheses less likely than this share of the likeliest are counted out.
      POSSIBLE = 0.01
      # So many readings that the leading order can only explain as mistakes, and it is none of the catalogue's. Common practice, no source.
      MISTAKES = 5
      TO_OPEN = 3
      UNCONFIRMED = %w[plate_unconfirmed size_unconfirmed].freeze

      # @param field [Field]
      # @param classes [OrderClasses] for the agreed work
      # @param lacking [Array<Integer>] places of what has none of that work
      def initialize(field, classes, lacking = [])
        @field = field
        @classes = classes
        @lacking = lacking
      end

      # @param readings [Array<Readings::Reading>]
      # @param channel [String] one of CHANNELS
      # @param owned [Array<String>] designations this customer has
      # @param chosen [String, nil] id of a hypothesis that is listed however unlikely it is
      # @param settled [Array<String>] keys of doubts that stand for a reason
      # @return [Identified]
      def call(readings, channel:, owned: [], chosen: nil, settled: [])
        @field.recall(:results, [:identified, readings.map(&:content), channel, owned, chosen, settled, @classes.object_id]) do
          identify(readings, channel, owned, chosen, settled)
        end
      end

      # @return [Array(Integer, Integer)] pumps and orders still possible
      def narrowed(readings, owned: [])
        possible(posterior(readings, owned).alive)
      end

      private

      def posterior(readings, owned) = Posterior.of(@field, readings, owned: owned, lacking: @lacking)

      def identify(readings, channel, owned, chosen, settled)
        posterior = posterior(readings, owned)
        alive = posterior.alive
        classes = @classes.rank(posterior)
        doubts = Doubts.new(posterior, @classes, classes.first, readings).call
        check = PlateCheck.new(@field, @classes, posterior, classes.first).call(readings, channel)
        standing = doubts.reject { |doubt| settled.include?(doubt.key) }
        size = SizeCheck.new(@field, posterior, classes.first).call(readings, channel) unless check
        blockers = blockers(classes.first, posterior, standing, { "plate_unconfirmed" => check, "size_unconfirmed" => size }.compact.keys - settled)
        candidates, (pumps, orders) = ranked(posterior, classes, chosen), possible(alive)
        questions = questions(alive, readings, channel, doubts, [check || size, check ? "check" : "size"], blockers)
        Identified.new(candidates: candidates, order_classes: classes, none: posterior.none, kin: posterior.kin, enough: blockers.empty?,
                       blockers: blockers, questions: questions, doubts: doubts, pumps: pumps,
                       to_open: questions.empty? && blockers.any? ? to_open(alive, readings, channel) : [],
                       differences: differences(candidates), orders: orders,
                       flow: FlowCheck.call(posterior.readings, @field.hypotheses[candidates.first.at]))
      end

      def blockers(leading, posterior, standing, unconfirmed)
        [("not_in_catalogue" if posterior.none >= 0.5 || standing.size >= MISTAKES), ("unsure" if leading.probability < OrderClasses::ENOUGH),
         ("doubt" if standing.any?(&:matters)), *unconfirmed].compact
      end

      # The leading order's pumps come first.
      def ranked(posterior, classes, chosen)
        shown = posterior.alive.top(SHOWN).map(&:first)
        picked = chosen && @field.hypotheses.index { |hypothese| hypothese.id == chosen }
        rank = classes.each_with_index.to_h { |order_class, at| [order_class.id, at] }
        all = (shown | [classes.first.members.first, picked].compact).map do |at|
          Candidate.new(at: at, probability: posterior.probability(at), order_class: @classes.id_of(at))
        end
        all.sort_by { |one| [rank.fetch(one.order_class, SHOWN), -one.probability] }
      end

      # A doubt that the order hangs on is checked before anything else, once an order leads.
      def questions(alive, readings, channel, doubts, check, blockers)
        asking = NextQuestion.new(@field, @classes.places, alive, channel: channel, readings: readings)
        open = doubts.select { |doubt| doubt.matters && !doubt.again && doubt.trait.cost(channel) }
        again = open.map { |doubt| asking.ask(doubt.trait, "again") }
        check, why = check
        again << asking.ask(check.trait, why) if check&.trait && (blockers - UNCONFIRMED).empty? && blockers.any?
        narrowing = asking.call
        blockers.include?("unsure") ? narrowing + again : again + narrowing
      end

      # What would tell most with the pump on the counter.
      def to_open(alive, readings, channel)
        return [] if Readings::Likelihoods::AT_HAND.include?(channel)

        asked = readings.reject(&:unknown)
        NextQuestion.new(@field, @classes.places, alive, channel: "counter", readings: asked).call.first(TO_OPEN)
      end

      def differences(candidates)
        leaders = candidates.first(COMPARED).select { |candidate| candidate.probability >= WORTH_COMPARING }
        Differences.call(@field.vocabulary, leaders.map { |leader| @field.hypotheses[leader.at] }, leaders.map(&:order_class))
      end

      def possible(alive)
        left = alive.at_least(alive.most * POSSIBLE).places
        [left.size, @classes.places.values_at(*left).uniq.size]
      end
    end
  end
end
