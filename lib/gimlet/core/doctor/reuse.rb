# frozen_string_literal: true

require_relative "../1_catalogue/shapes"
require_relative "../plain"
require_relative "remark"

module Gimlet::Core
  class Doctor
    # What a piece does not survive, and when it is due.
    class Reuse
      include Saying

      # Rubber and what is crushed goes back in no pump: every handbook of seals. Common practice, no source.
      RUBBER = %w[oring u_seal v_ring cup lip_seal gasket].freeze
      CRUSHED = /\b(?:copper|crush|bonded|sealing) washer|\bsplit pin|\bseal(?! (?:case|retainer|carrier|housing|holder|plate|seat))\b/
      # What a measure is called by => the sizes that it speaks of.
      MEASURED = { /length|height|thick/ => %w[length_mm height_mm], /bore|inside/ => %w[id_mm], /diameter|outside/ => %w[od_mm] }.freeze
      # Hours and months between renewals that anything in a pump lasts. Common practice, no source.
      LASTS = { "hours" => (50..30_000), "months" => (1..180) }.freeze
      # How much of a part may be worn off before it is no longer that part.
      WORN = Rational(1, 5)

      # @param series [Catalogue::Series]
      def initialize(series, _known)
        @series = series
        @parts = series.parts.to_h { |part| [part.number, part] }
      end

      # @return [Array<Remark>]
      def call
        @series.stacks.flat_map do |stack|
          stack.layers.flat_map do |layer|
            [kept(stack, layer), dry(stack, layer), due(stack, layer), limits(stack, layer)].flatten.compact
          end
        end
      end

      private

      def kept(stack, layer)
        return unless layer.reuse == "keep" && (RUBBER.include?(layer.shape) || layer.name.match?(CRUSHED))

        error(place(stack, layer), "is kept, and does not go back once it was out: say replace_always, or replace_if_removed.")
      end

      # Rubber that is forced in dry is torn.
      def dry(stack, layer)
        return unless layer.lube == "dry" && Catalogue::Shapes.of(layer.shape).lips

        warning(place(stack, layer), "is a #{Plain.name(layer.shape)} that goes in dry: say in lube what it is set in with.")
      end

      def due(stack, layer)
        (layer.interval || {}).reject { |unit, most| LASTS.fetch(unit).cover?(most) }.map do |unit, most|
          warning(place(stack, layer),
                  "is renewed after #{Plain.number(most)} #{unit}; anything lasts #{LASTS[unit].min} to #{LASTS[unit].max}: check the figure.")
        end
      end

      def limits(stack, layer)
        layer.criteria.filter_map { |one| limit(layer, one) }.map { |text| error(place(stack, layer), text) }
      end

      def limit(layer, criterion)
        least, most = criterion.at_least, criterion.at_most
        return "“#{criterion.measure}” is at least #{least} and at most #{most}: nothing is both." if least && most && least > most
        return unless criterion.unit == "mm"

        sizes = sizes(layer, criterion.measure)
        return if sizes.empty?
        if least && !worn?(criterion) && least > sizes.max
          return "“#{criterion.measure}” is at least #{least} mm, and a new one has #{sizes.max}: it would never go back."
        end

        "“#{criterion.measure}” may be #{most} mm of #{sizes.min}: that is no wear any more." if most && worn?(criterion) && most > sizes.min * WORN
      end

      def worn?(criterion) = criterion.measure.match?(/worn|wear|play|clearance/)

      # Sizes of the parts that the measure speaks of.
      def sizes(layer, measure)
        keys = MEASURED.find { |words, _| measure.match?(words) }&.last || []
        parts = @series.fits.select { |fit| fit.slot == layer.slot }.filter_map { |fit| @parts[fit.part] }
        parts.filter_map { |part| part.spec.values_at(*keys).compact.first }
      end

      def place(stack, layer) = "stacks.#{stack.id}.#{layer.slot}"
    end
  end
end
