# frozen_string_literal: true

require_relative "../1_catalogue/wet_end"
require_relative "facing"

module Gimlet::Core
  class Doctor
    # The order in which everything of a series goes back, and which piece goes in when.
    class ClosePlan
      attr_reader :steps, :keys

      # @param series [Catalogue::Series]
      def initialize(series)
        @series = series
        @steps = written? ? series.close_order : reversed
        @keys = @steps.map(&:key)
      end

      # @return [Boolean] whether the series has an order of its own
      def written? = @series.close_order.any?

      # @return [Array<String>] the group and all that must be off before it, in the order in which they come off
      def with_first(id) = @series.group(id).after.flat_map { |first| with_first(first) } + [id]

      # @return [String, nil] key of the step or group that a piece goes in with; nil where it goes in with the work on its area
      def put(stack, slot)
        step = @steps.find { |one| one.puts.fetch(stack.id, []).include?(slot) } and return step.key
        @series.groups.find { |group| group.disturbs.fetch(stack.id, []).include?(slot) && @keys.include?(group.id) }&.id
      end

      # @return [Integer, nil] place of that step
      def place(stack, layer) = put(stack, layer.slot)&.then { |key| @keys.index(key) }

      # @return [Array<Array<Array(Catalogue::Stack, Catalogue::Layer)>>] pieces of each axis from its open end inward; a stack that is on no
      #   axis is one of its own, where it is known which end of it is the bottom
      def axes
        own = @series.axes.flat_map { |axis| axis.stacks.map(&:first) }
        others = @series.stacks.reject { |stack| own.include?(stack.id) }
        alone = others.filter_map { |stack| stack.open_end&.then { |open| [[stack.id, open]] } }
        (@series.axes.map(&:stacks) + alone).map { |stacks| pieces(stacks) }
      end

      # @param stacks [Array<Array(String, String)>] stack id, the end of it that looks to the opening
      def pieces(stacks)
        stacks.flat_map do |id, open|
          stack = @series.stack(id)
          (open == "from" ? stack.layers : stack.layers.reverse).map { |layer| [stack, layer] }
        end
      end

      private

      def reversed
        opened = @series.areas.flat_map(&:opens).flat_map { |id| with_first(id) }.uniq
        opened.reverse.map { |id| Catalogue::CloseStep.new(group: id, after: [], puts: {}) }
      end
    end
  end
end
