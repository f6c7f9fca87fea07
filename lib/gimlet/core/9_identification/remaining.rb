# frozen_string_literal: true

require_relative "../../core"

module Gimlet::Core
  module Identification
    # Hypotheses that are not ruled out, with their probabilities, as two arrays side by side: at the beginning of a call these are all
    # pumps of the catalogue.
    class Remaining
      # Below this share of the likeliest a hypothesis is as good as ruled out.
      RULED_OUT = 1e-6

      # @return [Array<Integer>] places in the field
      attr_reader :places
      # @return [Array<Float>] probabilities
      attr_reader :values

      # @param weights [Array<Float>] by place
      # @param none [Float] weight of none of them
      def self.of(weights, none)
        total = weights.sum + none
        least = weights.max * RULED_OUT
        places, values = [], []
        weights.each_with_index do |weight, at|
          next unless weight > least

          places << at
          values << (weight / total)
        end
        new(places, values)
      end

      def initialize(places, values)
        @places = places
        @values = values
      end

      def size = places.size
      def most = @most ||= values.max

      # @return [Remaining] those with at least this probability
      def at_least(least)
        return self if values.min >= least

        kept = values.each_index.select { |nth| values[nth] >= least }
        Remaining.new(places.values_at(*kept), values.values_at(*kept))
      end

      # @return [Array<Array(Integer, Float)>] place and probability of the likeliest, these first
      def top(count)
        few = at_least(values.max(count).last)
        few.places.zip(few.values).sort_by { |at, value| [-value, at] }.first(count)
      end

      # @param groups [Array<Integer>] of each place of the field
      # @return [Hash{Integer=>Float}] group => probability
      def sums(groups)
        all = Hash.new(0.0)
        places.each_with_index { |at, nth| all[groups[at]] += values[nth] }
        all
      end

      # @return [Hash{Integer=>Float}] place => probability
      def to_h = places.zip(values).to_h
    end
  end
end
