# frozen_string_literal: true

module Gimlet
  module Core
    module Tools
      # The fewest torque wrenches whose good range (20 to 100 % of full scale, as ISO 6789 calibrates them)
      # takes in every value.
      module Wrenches
        # Full scales in N·m that counters commonly lend. Common practice, no source.
        FULL_SCALES_NM = [5, 10, 25, 50, 100, 200, 340].freeze
        LOWEST_SHARE = Rational(20, 100)

        module_function

        # @param values_nm [Array<Numeric>]
        # @return [Array(Array<Integer>, Array<Numeric>)] full scales to take, and values that none of them reaches
        def choose(values_nm, scales: FULL_SCALES_NM)
          within, beyond = values_nm.uniq.partition { |value| scales.any? { |scale| reaches?(scale, value) } }
          sets = (0..scales.size).lazy.flat_map { |size| scales.combination(size).to_a }
          [sets.find { |set| within.all? { |value| set.any? { |scale| reaches?(scale, value) } } }, beyond]
        end

        def reaches?(scale, value) = value.between?(scale * LOWEST_SHARE, scale)
      end
    end
  end
end
