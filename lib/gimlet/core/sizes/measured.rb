# frozen_string_literal: true

require_relative "../0_quantities/measuring_tools"
require_relative "../input_error"
require_relative "../value"
require_relative "shown_calculation"

module Gimlet::Core
  module Sizes
    # A ring as it was measured, in mm; `tool` as readings name it, `old` whether it was in use. Of inner, outer and section two say the third.
    class Measured
      # What it may be off by, in mm: the tool's finest mark; a dash number says it all.
      RESOLUTION = { **MeasuringTools::RESOLUTION, "dash number" => 0.001 }.freeze
      # Coarser tools leave open which of two neighbours it was.
      FINE = 0.1
      # A used ring is wider inside, and thicker where it swelled or thinner where it lay flat, by shares like these. Common practice, no source.
      WIDENS = 0.03
      SECTION_CHANGES = 0.06
      # Most rings lie within half of what their standard allows. Common practice, no source.
      WITHIN = 0.5
      LARGEST = 2000

      attr_reader :inner_mm, :section_mm, :outer_mm, :tool, :old

      # @raise [InputError] with the sum that fails
      def initialize(inner_mm: nil, outer_mm: nil, section_mm: nil, tool: "caliper", old: false)
        @tool = tool
        @old = old
        positive("inner_mm" => inner_mm, "outer_mm" => outer_mm, "section_mm" => section_mm)
        complete(inner_mm, outer_mm, section_mm)
      end

      # What the tool may be off by.
      def resolution_mm = RESOLUTION.fetch(tool)

      # @return [Boolean] whether its size is known as well as a standard tells sizes apart
      def known? = !old && resolution_mm <= FINE

      # @return [Array(Float, Float)] mm: how far off the inner diameter and the section may be
      def spread(ring)
        inner = [resolution_mm, ring.inner_tolerance_mm * WITHIN, (WIDENS * inner_mm if old)]
        section = [resolution_mm / (@section_told ? 1 : 2), ring.section_tolerance_mm * WITHIN, (SECTION_CHANGES * section_mm if old)]
        [inner, section].map { |parts| Math.sqrt(parts.compact.sum { |part| part**2 }) }
      end

      def to_s = "#{Sizes.mm(inner_mm)} inside, #{Sizes.mm(outer_mm)} outside, #{Sizes.mm(section_mm)} thick"

      private

      def positive(sizes)
        wrong = sizes.compact.find { |_, size| !size.between?(0.1, LARGEST) }
        InputError.reject(wrong.first, "no_size", "#{wrong.first} is between 0.1 and #{LARGEST} mm, not #{wrong.last}.") if wrong
      end

      def complete(inner, outer, section)
        [inner, outer, section].compact.size >= 2 ||
          InputError.reject("inner_mm", "too_few", "Two of inner diameter, outer diameter and section say the third: measure one more.")
        Sizes.ordered(inner, outer, "The inner diameter", "the section") if inner && outer
        agreeing(inner, outer, section) if inner && outer && section
        @section_told = !section.nil?
        @inner_mm = inner || (outer - (2 * section))
        @section_mm = section || ((outer - inner) / 2.0)
        @outer_mm = @inner_mm + (2 * @section_mm)
        @inner_mm.positive? || InputError.reject("section_mm", "too_thick",
                                                 "#{Sizes.mm(outer)} − 2 · #{Sizes.mm(section)} leaves no hole: measure again.")
      end

      # A used ring may lie flat; three figures of a new one agree.
      def agreeing(inner, outer, section)
        told = inner + (2 * section)
        slack = (4 * resolution_mm) + (old ? 0.3 * section : 0)
        return if (told - outer).abs <= slack

        sum = "#{Sizes.mm(inner)} + 2 · #{Sizes.mm(section)} = #{Sizes.mm(told)}, not #{Sizes.mm(outer)}"
        InputError.reject("section_mm", "disagree", "#{sum}: one of the three is wrong.")
      end
    end
  end
end
