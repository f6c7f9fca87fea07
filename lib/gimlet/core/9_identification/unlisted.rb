# frozen_string_literal: true

require_relative "../2_readings/likelihoods"

module Gimlet::Core
  module Identification
    # What no catalogue has: something of none of its families, or one of a family in a size that is not on file. The second is like its
    # siblings in whatever does not go by size, and has any value of the rest.
    class Unlisted
      # What so many of the families with several members have several values of goes by size.
      BY_SIZE = 0.5

      # @param families [Hash{String=>Array<Integer>}] places of the members
      # @param prior [Array<Float>] of the members
      # @param none [Float] how often what comes over the counter is unlisted
      def initialize(families, prior, none)
        @members = families.values
        @shares = @members.map { |places| places.sum { |at| prior[at] } }
        @none = none
      end

      # @return [Array<Float>] of no family, then of each family in another size; adds up to `none`
      def start
        known = Readings::Likelihoods::KNOWN_SERIES
        [@none * (1 - known), *@shares.map { |share| @none * known * share }]
      end

      # @param column [Column]
      # @param found [Array<Float>] likelihood of an observation by place
      # @param none [Float] its likelihood for what is of no family
      # @param size [Float] and for another size, where the column goes by size
      # @return [Array<Float>] in the order of `start`
      def likelihoods(column, found, none, size = none)
        return [none, *Array.new(@members.size, size)] if by_size?(column)

        [none, *column.met_in(@members).map { |own| own.sum { |place| found[place] } / own.size }]
      end

      # @param column [Column]
      # @return [Boolean] whether what stands in it goes by size
      def by_size?(column) = share_by_size(column) >= BY_SIZE

      # @param column [Column]
      # @return [Float] of the families with several members, those that have several values in a column
      def share_by_size(column)
        met = column.met_in(@members)
        several = @members.count { |members| members.size > 1 }
        several.zero? ? 0.0 : met.count { |own| own.size > 1 }.fdiv(several)
      end
    end
  end
end
