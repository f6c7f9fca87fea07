# frozen_string_literal: true

require_relative "../../core"

module Gimlet::Core
  module Identification
    # One trait of all hypotheses: the distinct values, and for each hypothesis the place of its value among them.
    class Column
      attr_reader :values, :places
      # @return [Array<String>] the family that each value is first met in
      attr_reader :families
      # @return [Readings::PlateIndex, Readings::NameIndex, nil] what finds names, where the trait has names
      attr_reader :names

      # @param prior [Array<Float>] of each hypothesis
      def initialize(values:, places:, families:, names:, prior:)
        @values = values
        @places = places
        @families = families
        @names = names
        @prior = prior
      end

      # @return [Column] of the same pumps, when they are met more or less often
      def weighed_by(prior, names) = changed(:@prior => prior, :@names => names, :@shares => nil)

      # @return [Column] with other values at the same places
      def valued(values) = changed(:@values => values)

      # @return [Array<Float>] how common each value is
      def shares
        @shares ||= Array.new(values.size, 0.0).tap { |sums| places.each_with_index { |place, at| sums[place] += @prior[at] } }.freeze
      end

      # @param members [Array<Array<Integer>>] the hypotheses of each family
      # @return [Array<Array<Integer>>] the places that each family has
      def met_in(members) = @met_in ||= members.map { |own| places.values_at(*own).uniq }

      private

      def changed(fields) = dup.tap { |other| fields.each { |field, value| other.instance_variable_set(field, value) } }
    end
  end
end
