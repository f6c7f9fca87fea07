# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Identification
    # The pump that an order is worked out for: `at` is its place in the field, nil while none leads; `sure` the probability of its order; `first`
    # whether that order is the likeliest.
    Leader = Value.of(:at, :sure, :first) do
      # @return [Leader] where no pump may lead
      def self.none = new(at: nil, sure: 0.0, first: false)

      # @param found [Identified]
      # @param classes [OrderClasses] that it was found with
      # @param told [Boolean] whether anything was told of the pump
      # @return [Leader] the likeliest of the order that leads clearly
      def self.of(found, classes, told:)
        order = found.order_classes.first
        at = order.members.first if found.clear && told
        new(at: at, sure: order.probability, first: !at.nil? && classes.id_of(at) == order.id)
      end

      # @param at [Integer, nil] the place of what was taken by hand; nil where it is in the catalogue no more
      # @return [Leader]
      def self.chosen(at, found, classes)
        return none unless at

        order = found.order_classes.find { |one| one.id == classes.id_of(at) }
        new(at: at, sure: order&.probability || 0.0, first: found.order_classes.first.id == order&.id)
      end
    end
  end
end
