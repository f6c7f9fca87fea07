# frozen_string_literal: true

require_relative "../value"
require_relative "order_classes"

module Gimlet::Core
  module Identification
    # Readings of one thing that the leading order can only explain as a mistake; the leaders with them and without them, as pairs of
    # place and probability. `matters` says that the order hangs on it; `again` that it was checked again already.
    Doubt = Value.of(:readings, :leader, :leading, :without, :matters, :again) do
      def trait = readings.first.definition
      def key = "#{trait.id} #{readings.map { |reading| reading.value || reading.range }.join('/')}"
    end

    # Finds the doubtful reading instead of averaging it away.
    class Doubts
      # A fit below this is no wear or rounding any more. Common practice, no source.
      DOUBTFUL = 0.2
      LEADERS = 3
      # Of the pumps of the leading order, those with less than this share of its likelihood do not speak for it.
      SPEAKS = 0.02
      # With this many doubts each of them matters.
      MANY = 2

      # @param posterior [Posterior]
      # @param classes [OrderClasses]
      # @param leading [OrderClass]
      # @param readings [Array<Readings::Reading>] all that were taken
      def initialize(posterior, classes, leading, readings)
        @posterior = posterior
        @classes = classes
        @leading = leading
        @readings = readings
      end

      # @return [Array<Doubt>] the worst first
      def call
        doubtful = @posterior.weighed.map { |observed| [observed, fit(observed)] }.select { |_, fit| fit < DOUBTFUL }.sort_by(&:last)
        doubtful.map { |weighed, _| doubt(weighed, doubtful.size >= MANY) }
      end

      private

      def alive = @posterior.alive

      # The best that any pump of the leading order makes of it.
      def fit(weighed)
        speakers.map { |at| weighed.fit(at) }.max
      end

      def speakers
        least = SPEAKS * @posterior.probability(@leading.members.first)
        @speakers ||= @leading.members.take_while { |at| @posterior.probability(at) >= least }
      end

      def doubt(weighed, many)
        readings = weighed.observation.readings
        without = @posterior.without(weighed)
        Doubt.new(readings: readings, leader: @leading.members.first, leading: leaders(alive), without: leaders(without),
                  again: @readings.count { |reading| reading.trait == readings.first.trait } > 1,
                  matters: many || identifies?(weighed) || turns?(without))
      end

      # Of what tells one pump, or one size of a series, from another.
      def identifies?(weighed)
        weighed.observation.readings.any? { |reading| reading.definition.identity } || @posterior.by_size?(weighed)
      end

      # Whether another order, or none, would lead without it.
      def turns?(without)
        best, = @classes.sums(without).max_by(&:last)
        @classes.ids[best] != @leading.id
      end

      def leaders(alive) = alive.top(LEADERS)
    end
  end
end
