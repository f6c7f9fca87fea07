# frozen_string_literal: true

require_relative "../verdicts"
require_relative "../plain"
require_relative "../input_error"
require_relative "../value"
require_relative "shown_calculation"

module Gimlet::Core
  module Sizes
    # A groove and what closes it. Sizes in mm. `inner_mm` is what the ring sits round: the bottom of a piston's groove, or the rod; `outer_mm`
    # what it seals against or sits in: the bore, or the bottom of a housing's groove. `seat` says which of the two the groove is cut in:
    # "piston" or "housing". `gap_mm` is the gap to one side; `hardness` in Shore A; `pressure_bar` and `gap_mm` may be nil.
    Gland = Value.of(:inner_mm, :outer_mm, :width_mm, :moving, :seat, :pressure_bar, :gap_mm, :hardness) do
      def depth_mm = (outer_mm - inner_mm) / 2.0
      def area_mm2 = depth_mm * width_mm
      def kind = moving ? "moving" : "static"

      # @raise [InputError] what cannot be a groove
      def check
        fault = [["inner_mm", inner_mm], ["outer_mm", outer_mm], ["width_mm", width_mm]].find { |_, size| !size.positive? }
        InputError.reject(fault.first, "no_size", "#{fault.first} is above zero.") if fault
        Sizes.ordered(inner_mm, outer_mm, "The groove's inner diameter", "its depth")
        self
      end
    end

    # How a ring sits in a groove: stretch, squeeze, fill, and whether it wants a backup ring, each with its sum.
    class Fit
      HARDNESS = 70

      # `backup` is true, false or nil where it cannot be said, with `backup_why`.
      Result = Value.of(:verdict, :sums, :backup, :backup_why, :seated_mm)

      # @param limits [Hash] data/reference/glands.yml
      def initialize(limits)
        @limits = limits
      end

      # @param ring [#inner_mm, #section_mm]
      # @param gland [Gland]
      # @return [Result]
      def call(ring, gland)
        stretch = gland.seat == "housing" ? compression(ring, gland) : stretch(ring, gland)
        section = thinned(ring.section_mm, gland.seat == "housing" ? 0 : stretch.percent)
        sums = [stretch, squeeze(section, gland), fill(section, gland)]
        Result.new(verdict: Verdicts.worst(["fits", *sums.map(&:verdict)]), sums: sums, seated_mm: section, **backup(ring, gland))
      end

      # @return [Float] mm that a section has left once the ring is stretched by so many per cent
      def thinned(section_mm, percent)
        return section_mm unless percent.positive?

        row = @limits["thinning"].find { |one| percent <= one["up_to"] } || @limits["thinning"].last
        section_mm * (1 - ((row["a"] + (row["b"] * percent) + (row["c"] * (percent**2))) / 100))
      end

      private

      def stretch(ring, gland)
        percent = (gland.inner_mm - ring.inner_mm) / ring.inner_mm * 100
        sum("stretch", percent, "(#{Sizes.mm(gland.inner_mm)} − #{Sizes.mm(ring.inner_mm)}) / #{Sizes.mm(ring.inner_mm)}", @limits["stretch"])
      end

      def compression(ring, gland)
        outer = ring.inner_mm + (2 * ring.section_mm)
        percent = (outer - gland.outer_mm) / gland.outer_mm * 100
        sum("compression", percent, "(#{Sizes.mm(outer)} − #{Sizes.mm(gland.outer_mm)}) / #{Sizes.mm(gland.outer_mm)}", @limits["compression"])
      end

      def squeeze(section, gland)
        percent = (section - gland.depth_mm) / section * 100
        limits = { "right" => between(@limits["squeeze"][gland.kind], section), "for_a_while" => @limits["squeeze_for_a_while"][gland.kind] }
        sum("squeeze", percent, "(#{Sizes.mm(section)} − #{Sizes.mm(gland.depth_mm)}) / #{Sizes.mm(section)}", limits)
      end

      def fill(section, gland)
        area = Math::PI / 4 * (section**2)
        percent = area / gland.area_mm2 * 100
        limits = @limits["fill"].transform_values { |most| [0, most] }
        sum("fill", percent, "π/4 · #{Sizes.mm(section)}² / (#{Sizes.mm(gland.depth_mm)} · #{Sizes.mm(gland.width_mm)})", limits)
      end

      def sum(name, percent, text, limits)
        verdict = %w[right for_a_while].zip(%w[fits temporary]).find { |key, _| inside?(percent, limits[key]) }&.last || "no"
        ShownCalculation.new(name: name, percent: percent, sum: "#{text} = #{Sizes.percent(percent)}", limits: limits["right"].map do |one|
          one.round(1)
        end, unit: "%", verdict: verdict)
      end

      # What cannot be measured is not held against it.
      def inside?(percent, limits) = percent.round(1).between?(*limits)

      # @param rows [Array] section, least, most
      def between(rows, section)
        return rows.first.drop(1) if section <= rows.first.first
        return rows.last.drop(1) if section >= rows.last.first

        low, high = rows.each_cons(2).find { |_, one| section <= one.first }
        part = (section - low.first) / (high.first - low.first)
        low.drop(1).zip(high.drop(1)).map { |from, to| from + ((to - from) * part) }
      end

      def backup(ring, gland)
        return { backup: nil, backup_why: "Without the pressure it cannot be said whether a backup ring is wanted." } unless gland.pressure_bar

        return moving(gland) if gland.moving && gland.pressure_bar > @limits["moving_alone_bar"]

        hardness = gland.hardness || HARDNESS
        rows = @limits["gap"]["shore_#{hardness >= 90 ? 90 : 70}"]
        row = rows.find { |bar, *| gland.pressure_bar <= bar }
        return { backup: true, backup_why: beyond(rows, hardness, gland) } unless row
        return { backup: nil, backup_why: no_gap(row, ring, gland, hardness) } unless gland.gap_mm

        against(gap_of(row, ring), gland, hardness)
      end

      def moving(gland)
        most = @limits["moving_alone_bar"]
        { backup: true,
          backup_why: "#{Plain.number(gland.pressure_bar)} bar on a ring that moves: above #{most} bar it wants a backup ring, whatever the gap." }
      end

      def gap_of(row, ring) = row[1 + (@limits["gap"]["sections"].index { |most| ring.section_mm <= most } || @limits["gap"]["sections"].size)]

      def against(most, gland, hardness)
        wanted = gland.gap_mm > most
        why = "A gap of #{gland.gap_mm} mm to one side at #{Plain.number(gland.pressure_bar)} bar: #{hardness} Shore bears #{most} mm"
        { backup: wanted, backup_why: "#{why}, so a backup ring is #{'not ' unless wanted}wanted." }
      end

      def beyond(rows, hardness, gland)
        "#{Plain.number(gland.pressure_bar)} bar is beyond what #{hardness} Shore bears without a backup ring at any gap (#{rows.last.first} bar)."
      end

      def no_gap(row, ring, gland, hardness)
        bears = gap_of(row, ring)
        "At #{Plain.number(gland.pressure_bar)} bar #{hardness} Shore bears a gap of #{bears} mm to one side without a backup ring: " \
          "measure the gap."
      end
    end
  end
end
