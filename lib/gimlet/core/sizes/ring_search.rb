# frozen_string_literal: true

require_relative "../verdicts"
require_relative "../value"
require_relative "gland"
require_relative "measured"
require_relative "shown_calculation"

module Gimlet::Core
  module Sizes
    # A ring that may serve: `seated_mm` is its section once it is stretched, `share` how likely it is the very size that was measured
    # (0 where only a groove was), `nearness` ranks those of one verdict.
    Candidate = Value.of(:ring, :verdict, :sums, :share, :backup, :backup_why, :seated_mm, :nearness)

    # Which rings serve in the place of one that was measured, or in a groove.
    class RingSearch
      # Of the section, in per cent: thicker or thinner than this it is another ring. Common practice, no source.
      SECTION = { "fits" => 3, "temporary" => 8 }.freeze
      # Of the inner diameter: how much smaller the ring may be and be stretched on, how much larger and lie loose.
      SMALLER = { "fits" => 5, "temporary" => 20 }.freeze
      LARGER = { "fits" => 1, "temporary" => 2 }.freeze
      # Beyond so many spreads a size is not what was measured.
      FAR = 3
      SHOWN = 8
      # Standards and calipers are read to a hundredth, mm.
      ROUNDED = 0.01
      # Of what a used ring may have been.
      SURE = 0.8
      LIKELY = 0.2

      # @param rings [Array<Ring>]
      # @param fit [Fit]
      def initialize(rings, fit)
        @rings = rings
        @fit = fit
      end

      # @param measured [Measured, nil]
      # @param gland [Gland, nil] one of the two at least
      # @return [Array<Candidate>] that serve at all, the best first
      def call(measured, gland)
        near = @rings.select { |ring| gland ? goes_in?(ring, gland) : like?(ring, measured) }
        shares = measured ? shares(near, measured) : {}
        found = near.filter_map { |ring| candidate(ring, measured, gland, shares[ring].to_f) }
        found.sort_by { |one| [Verdicts::ALL.index(one.verdict), -one.share.round(2), one.nearness] }.first(SHOWN)
      end

      private

      # What is beyond these serves nowhere, and is not worked out. A groove says more than the ring that was in it.
      def like?(ring, measured)
        ring.inner_mm.between?(measured.inner_mm * 0.75, (measured.inner_mm * 1.05) + 1) &&
          ring.section_mm.between?(measured.section_mm * 0.7, (measured.section_mm * 1.3) + 0.1)
      end

      def goes_in?(ring, gland)
        ring.section_mm.between?(gland.depth_mm, gland.depth_mm * 2) && ring.inner_mm.between?(gland.inner_mm * 0.7, gland.inner_mm * 1.2)
      end

      def shares(rings, measured)
        weights = rings.to_h { |ring| [ring, weight(ring, measured)] }
        total = weights.values.sum
        total.positive? ? weights.transform_values { |one| one / total } : {}
      end

      def candidate(ring, measured, gland, share)
        seated = gland && @fit.call(ring, gland)
        verdict, sums = measured ? compare(ring, measured, share) : [seated.verdict, []]
        # The groove says what serves; the measured ring only which of them it was.
        verdict = seated.verdict unless seated.nil? || (seated.verdict == "fits" && verdict == "exact")
        return if verdict == "no"

        Candidate.new(ring: ring, verdict: verdict, sums: (seated&.sums || []) + sums, share: share, backup: seated&.backup,
                      backup_why: seated&.backup_why, seated_mm: seated&.seated_mm, nearness: nearness(seated, ring, measured))
      end

      def nearness(seated, ring, measured)
        return seated.sums.sum { |sum| middle(sum) } if seated

        inner, section = measured.spread(ring)
        (((ring.inner_mm - measured.inner_mm) / inner)**2) + (((ring.section_mm - measured.section_mm) / section)**2)
      end

      # How far from the middle of what is right, in spans of it.
      def middle(sum)
        low, high = sum.limits
        ((sum.percent - ((low + high) / 2.0)) / (high - low)).abs
      end

      def weight(ring, measured)
        inner, section = measured.spread(ring)
        offs = [off(ring.inner_mm, measured.inner_mm, inner), off(ring.section_mm, measured.section_mm, section)]
        offs.any? { |off| off > FAR } ? 0.0 : Math.exp(-offs.sum { |off| off**2 } / 2) / (inner * section)
      end

      def off(size, told, spread) = (size - told).abs / spread

      # What a used ring was, or one held against a rule, is only likely: it is called exact where hardly anything else comes near, and a
      # new one where the tool may well have said its very size.
      # @return [Array(String, Array<ShownCalculation>)]
      def compare(ring, measured, share)
        sums = [stretch(ring, measured), thickness(ring, measured)]
        return [Verdicts.worst(["fits", *sums.map(&:verdict)]), sums] unless very_near?(ring, measured)
        return ["exact", sums] if measured.known? ? itself?(ring, measured) : share >= SURE

        [measured.known? || share >= LIKELY ? Verdicts.worst(["fits", *sums.map(&:verdict)]) : "temporary", sums]
      end

      def very_near?(ring, measured)
        inner, section = measured.spread(ring)
        off(ring.inner_mm, measured.inner_mm, inner) <= 2 && off(ring.section_mm, measured.section_mm, section) <= 2
      end

      def itself?(ring, measured)
        slack = measured.resolution_mm + ROUNDED
        (ring.inner_mm - measured.inner_mm).abs <= slack && (ring.section_mm - measured.section_mm).abs <= slack
      end

      def stretch(ring, measured)
        percent = (measured.inner_mm - ring.inner_mm) / ring.inner_mm * 100
        verdict = %w[fits temporary].find { |one| percent.round(1).between?(-LARGER[one], SMALLER[one]) } || "no"
        own, old = Sizes.mm(ring.inner_mm), Sizes.mm(measured.inner_mm)
        ShownCalculation.new(name: "stretch in the old one's place", percent: percent, limits: [-LARGER["fits"], SMALLER["fits"]],
                             unit: "%", verdict: verdict, sum: "(#{old} − #{own}) / #{own} = #{Sizes.percent(percent)}")
      end

      def thickness(ring, measured)
        percent = (ring.section_mm - measured.section_mm) / measured.section_mm * 100
        verdict = %w[fits temporary].find { |one| percent.abs.round(1) <= SECTION[one] } || "no"
        own, old = Sizes.mm(ring.section_mm), Sizes.mm(measured.section_mm)
        ShownCalculation.new(name: "section against the old one's", percent: percent, limits: [-SECTION["fits"], SECTION["fits"]],
                             unit: "%", verdict: verdict, sum: "(#{own} − #{old}) / #{old} = #{Sizes.percent(percent)}")
      end
    end
  end
end
