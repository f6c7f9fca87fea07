# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Identification
    # Hypotheses that need exactly the same parts, tools and tightening for the agreed work; `members` are places in the field, the
    # likeliest first.
    OrderClass = Value.of(:id, :probability, :members)

    # The order class of every hypothesis for one scope, laid out for quick sums.
    class OrderClasses
      # An order may be placed when one class is this sure. A setting of the counter.
      ENOUGH = 0.95
      # The tray shows an order when it is this sure.
      CLEAR = 0.5
      # An order this likely is one to be told apart from the leading one.
      LIKELY = 0.03
      SHOWN = 40

      # @return [Array<Integer>] the class of each hypothesis, as a place in `ids`
      attr_reader :places
      # @return [Array<String>]
      attr_reader :ids

      # @param ids [Array<String>] for each hypothesis; the same for the same order
      def initialize(ids)
        distinct = {}
        @places = ids.map { |id| distinct[id] ||= distinct.size }.freeze
        @ids = distinct.keys.freeze
        @members = @places.each_index.group_by { |at| @places[at] }.freeze
      end

      # @return [String] of a hypothesis
      def id_of(at) = ids[places[at]]

      # @param alive [Remaining]
      # @return [Hash{Integer=>Float}] class => probability
      def sums(alive) = alive.sums(places)

      # @param posterior [Posterior]
      # @return [Array<OrderClass>] the likeliest first
      def rank(posterior)
        sums(posterior.alive).max_by(SHOWN) { |_, sum| sum }.map do |place, sum|
          OrderClass.new(id: ids[place], probability: sum, members: @members[place].sort_by { |at| -posterior.probability(at) })
        end
      end
    end
  end
end
