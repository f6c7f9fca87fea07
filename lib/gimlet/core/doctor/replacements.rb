# frozen_string_literal: true

require_relative "../plain"
require_relative "remark"
require_relative "part_sizes"

module Gimlet::Core
  class Doctor
    # What takes a part's place is a part of its kind: `superseded_by`, `interchange`, `stand_ins`; and what serves a slot is what the slot is.
    class Replacements
      include Saying

      # How far two sizes are apart that serve the same, and that serve for a while. Common practice, no source.
      SAME = 0.03
      FOR_A_WHILE = 0.35
      # What marks an O-ring and a spring, whatever they are called.
      MARKS = { "section_mm" => %w[oring], "turns" => %w[spring valve] }.freeze

      FLAT = %w[washer backup clip gasket dished].freeze

      # @param series [Catalogue::Series]
      def initialize(series, _known)
        @series = series
        @parts = series.parts.to_h { |part| [part.number, part] }
        @layers = series.stacks.flat_map(&:layers).uniq(&:slot)
        @names = @layers.map { |layer| words(layer.name) }.uniq
      end

      # @return [Array<Remark>]
      def call = @series.parts.flat_map { |part| taking_its_place(part) } + @series.fits.flat_map { |fit| serving(fit) }.uniq

      private

      def taking_its_place(part)
        same = [["superseded_by", part.superseded_by, SAME], *part.interchange.map { |number| ["interchange", number, SAME] }]
        for_a_while = part.stand_ins.map { |one| ["stand_ins", one.part, FOR_A_WHILE] }
        (same + for_a_while).filter_map { |key, number, apart| sized(part, key, @parts[number], apart) } +
          same.filter_map { |key, number,| kinds(part, key, @parts[number]) }
      end

      def sized(part, key, other, apart)
        unlike = other && unlike(part, other, apart) or return
        theirs, mine = [other, part].map { |one| unlike.map { |size| "#{size} #{told(one, size)}" }.join(" and ") }
        error("parts.#{part.number}.#{key}", "#{other.number} has #{theirs}, and #{part.number} #{mine}: it cannot take its place.")
      end

      def unlike(part, other, apart)
        keys = PartSizes::SIZES.select { |key| part.spec[key] && other.spec[key] && key != "height_mm" && key != "length_mm" }
        wrong = keys.select { |key| (part.spec[key] - other.spec[key]).abs > (part.spec[key] * apart) + (apart == SAME ? 0 : 0.5) }
        wrong if wrong.any?
      end

      # Parts that serve slots of other shapes, or none of whose sizes can be compared.
      def kinds(part, key, other)
        return unless other

        mine, theirs = [part, other].map { |one| shapes(one) }
        return if mine.empty? || theirs.empty? || mine.intersect?(theirs)

        is, was = [theirs, mine].map { |shapes| shapes.map { |shape| Plain.name(shape) }.join(", ") }
        error("parts.#{part.number}.#{key}", "#{other.number} is a #{is}, #{part.number} a #{was}: it cannot take its place.")
      end

      def shapes(part)
        slots = @series.fits.select { |fit| fit.part == part.number }.map(&:slot)
        @layers.select { |layer| slots.include?(layer.slot) }.filter_map(&:shape).uniq
      end

      # The part of a slot by its sizes and by its name.
      def serving(fit)
        part = @parts[fit.part]
        layer = @layers.find { |one| one.slot == fit.slot }
        part && layer ? [marked(part, layer), flat(part, layer), called(part, layer)].compact : []
      end

      def marked(part, layer)
        wrong = MARKS.find { |key, shapes| layer.shape && part.spec.key?(key) && !shapes.include?(layer.shape) }
        if wrong
          return error("fits.#{layer.slot}",
                       "#{part.number} has #{wrong.first}, and #{layer.name} is a #{Plain.name(layer.shape)}: another part, or another shape.")
        end
        return unless layer.shape == "oring" && part.spec.any? && !part.spec.key?("section_mm") && !part.spec.key?("id_mm")

        error("fits.#{layer.slot}", "#{part.number} has no section_mm, and #{layer.name} is an O-ring: another part, or another shape.")
      end

      # A washer is no tube.
      def flat(part, layer)
        wide, high = part.spec["od_mm"], part.spec["height_mm"]
        return unless FLAT.include?(layer.shape) && wide && high && high > wide / 2.0

        error("parts.#{part.number}.spec",
              "height_mm #{Plain.number(high)} of a #{Plain.name(layer.shape)} #{Plain.number(wide)} mm wide: check the point.")
      end

      # "Discharge valve poppet" does not serve "inlet valve seat" where there is a place of that name.
      def called(part, layer)
        name, own = words(part.name), words(layer.name)
        other = @names.find { |one| (one - name).empty? && one.size > (name & own).size && (one - own).any? } or return
        error("fits.#{layer.slot}", "#{part.number} is a #{part.name}: that is the piece #{other.join(' ')}, not #{layer.name}.")
      end

      def words(name) = name.downcase.scan(/[a-z][a-z-]+/)
      def told(part, size) = Plain.number(part.spec[size])
    end
  end
end
