# frozen_string_literal: true

require_relative "../plain"
require_relative "../input_error"
require_relative "../value"

module Gimlet::Core
  # Rings and seals by their sizes, against published tables and limits.
  module Sizes
    # One sum behind a verdict: what was worked out, the figures it comes from, the limits (of `unit`) that are right, and what follows.
    ShownCalculation = Value.of(:name, :percent, :sum, :limits, :unit, :verdict) do
      def limit = "#{limits.map { |limit| Sizes.mm(limit) }.join(' to ')} #{unit}"
    end

    # @return [String]
    def self.percent(value) = "#{value.round(1) + 0} %"

    # @raise [InputError] with the sum that fails
    def self.ordered(inner, outer, name, between)
      inner < outer ||
        InputError.reject("inner_mm", "inner_wider", "#{name} #{mm(inner)} is not below the outer #{mm(outer)}: #{between} would be " \
                                                     "(#{mm(outer)} − #{mm(inner)})/2 = #{mm((outer - inner) / 2.0)} mm.")
    end

    # @return [String] a figure in mm as people write it
    def self.mm(value) = Plain.number(value, 2)
  end
end
