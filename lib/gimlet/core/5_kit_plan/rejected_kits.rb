# frozen_string_literal: true

require_relative "../1_catalogue/condition"
require_relative "../value"

module Gimlet::Core
  module KitPlan
    # Why a kit that looks right is not bought.
    class RejectedKits
      Kit = Value.of(:number, :name, :reason)

      # @param fixed [Array<Fixed>]
      def initialize(snapshot, demand, stock, fixed)
        @snapshot = snapshot
        @demand = demand
        @stock = stock
        @fixed = fixed
      end

      # @param policy [String]
      # @param purchase [Purchase]
      # @return [Array<Kit>] every kit of the series that holds something of the order, or is meant for another pump of the series
      def call(policy, purchase)
        bought = purchase.counts.keys.map(&:number)
        kits = @demand.variant.series.kits.reject { |kit| bought.include?(kit.number) }
        kits.filter_map { |kit| (why = reason(kit, policy)) && Kit.new(number: kit.number, name: kit.name, reason: why) }
      end

      private

      def reason(kit, policy)
        return unless holds(kit).any? || meant_for_another?(kit)
        if meant_for_another?(kit)
          return "meant for other pumps of the series: #{Catalogue::Condition.in_words(kit.condition,
                                                                                       @demand.variant.series)}"
        end

        by_hand = @fixed.find { |line| line.number == kit.number }
        return "taken off by hand: #{by_hand.reason}" if by_hand
        return "no price on file" unless @stock.key?(kit.number)
        return "none free on the shelf today" if policy == "on_shelf" && @stock[kit.number].free.zero?

        "holds #{holds(kit).sum(&:last)} of the pieces needed: the lines above cost less or leave less over"
      end

      def meant_for_another?(kit)
        !Catalogue::Condition.met?(kit.condition, @demand.variant) && holds_slots?(kit)
      end

      # Whether a kit for another pump renews the same places.
      def holds_slots?(kit)
        slots = @demand.fates.select { |fate| fate.kind == :replace }.map { |fate| fate.place.layer.slot }.uniq
        @demand.variant.series.fits.any? { |fit| slots.include?(fit.slot) && kit.contents.key?(fit.part) }
      end

      # @return [Array<Array(String, Integer)>] needed part numbers that the kit serves, and how many of each are of use
      def holds(kit)
        @demand.quantities.filter_map do |number, need|
          pieces = kit.contents.slice(*@snapshot.serving(number)).values.sum
          [number, [pieces, need].min] if pieces.positive?
        end
      end
    end
  end
end
