# frozen_string_literal: true

require_relative "../verdicts"
require_relative "../input_error"
require_relative "../value"
require_relative "shown_calculation"

module Gimlet::Core
  module Sizes
    # Lip seals and U-seals by three sizes, in mm. There is no room for judgement in them: they go in, or they do not.
    module Lip
      SIZES = %w[id_mm od_mm height_mm].freeze
      NAMES = { "id_mm" => "inner diameter", "od_mm" => "outer diameter", "height_mm" => "height" }.freeze
      # What a rubber seal of one number may differ by in itself, in mm, and what a used one has changed by, as a share. Common practice, no
      # source: a lip wears wider inside and the whole lies lower.
      OWN = 0.15
      WORN = { "id_mm" => 0.03, "od_mm" => 0.02, "height_mm" => 0.08 }.freeze
      # A seal that is lower by so much still fills its room with a shim or its spacer. Common practice, no source.
      LOWER = 0.1

      module_function

      # @param sizes [Hash{String=>Numeric}] of SIZES, as measured
      # @param spec [Hash] a part's
      # @param resolution_mm [Float]
      # @return [Array(String, Array<ShownCalculation>)] verdict and sums
      def compare(sizes, spec, resolution_mm, old)
        sums = sizes.map { |name, told| sum(name, told, spec.fetch(name), resolution_mm, old) }
        [Verdicts.worst(sums.map(&:verdict)), sums]
      end

      # @raise [InputError] with the sum that fails
      def check(sizes)
        wrong = sizes.find { |_, size| !size.between?(0.1, 2000) }
        InputError.reject(wrong.first, "no_size", "The #{NAMES[wrong.first]} is between 0.1 and 2000 mm, not #{wrong.last}.") if wrong
        sizes.size >= 2 || InputError.reject("outer_mm", "too_few", "A seal is matched by two of its sizes at least; three are better.")
        inner, outer = sizes.values_at("id_mm", "od_mm")
        Sizes.ordered(inner, outer, "The inner diameter", "the wall") if inner && outer
      end

      def sum(name, told, size, resolution_mm, old)
        slack = resolution_mm + OWN + (old ? WORN[name] * size : 0)
        off = told - size
        ShownCalculation.new(name: NAMES[name], percent: off / size * 100, sum: "#{Sizes.mm(told)} − #{Sizes.mm(size)} = #{Sizes.mm(off)} mm",
                             limits: [-slack, slack], unit: "mm", verdict: verdict(name, off, size, slack))
      end

      def verdict(name, off, size, slack)
        return "exact" if off.abs <= slack

        name == "height_mm" && off.between?(0, slack + (LOWER * size)) ? "temporary" : "no"
      end
    end
  end
end
