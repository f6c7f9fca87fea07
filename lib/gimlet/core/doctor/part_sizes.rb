# frozen_string_literal: true

require_relative "../plain"
require_relative "remark"

module Gimlet::Core
  class Doctor
    # A part against itself: sizes that such a piece can have, and the figures and the material that its name tells.
    class PartSizes
      include Saying

      # Sections of O-rings in mm that are made: ISO 3601-1 has 1.78 to 6.99, metric rows 0.5 to 12. Common practice, no source.
      SECTIONS = (0.5..12)
      # How many times its section the inside of an O-ring is at least. Common practice, no source.
      LEAST_ROUND = 1.2
      # Inside of a seal or washer, as a share of its outside. Common practice, no source.
      NARROW = 0.25
      # A bare figure of a name, not one of a mark ("TK4", "M8") or of a row of alternatives ("15/18").
      FIGURE = %r{(?<![\p{L}\d./-])\d+(?:\.\d+)?(?![\d.]*\d|[\p{L}/-])}
      BY = / *[×x] */
      ROW = /#{FIGURE}(?:#{BY}#{FIGURE})+/
      SIZES = %w[id_mm od_mm section_mm height_mm length_mm].freeze
      MATERIALS = %w[copper brass bronze steel stainless ceramic acetal PTFE NBR FKM EPDM].freeze

      # @param series [Catalogue::Series]
      def initialize(series, known)
        @parts = series.parts
        @rubbers = known.elastomers ? known.elastomers.elastomers.map(&:id) : []
      end

      # @return [Array<Remark>]
      def call = @parts.flat_map { |part| [impossible(part), thick(part), rings(part), named(part), material(part), rubber(part)].compact }

      private

      def impossible(part)
        inside, outside = part.spec.values_at("id_mm", "od_mm")
        return unless inside && outside && inside >= outside

        error(place(part), "id_mm #{told(inside)} is no less than od_mm #{told(outside)}: they are changed about, or one is wrong.")
      end

      # No seal is so thick beside its inside: a point or a figure is lost.
      def thick(part)
        inside, outside = part.spec.values_at("id_mm", "od_mm")
        return unless inside && outside && inside < outside * NARROW && part.name.match?(/\b(?:seal|O-ring|ring|washer)\b/)

        warning(place(part), "id_mm #{told(inside)} of a ring #{told(outside)} mm wide outside: check the point.")
      end

      def rings(part)
        section, inside = part.spec.values_at("section_mm", "id_mm")
        return if section.nil? || (SECTIONS.cover?(section) && (inside.nil? || inside >= section * LEAST_ROUND))

        error(place(part), "section_mm #{told(section)} is no O-ring's#{" of id_mm #{told(inside)}" if inside}: sections are " \
                           "#{told(SECTIONS.min)} to #{told(SECTIONS.max)} mm, and less than the inside. Check the point.")
      end

      # "O-ring 16 × 2" has these sizes.
      def named(part)
        sizes = part.spec.values_at(*SIZES).compact.map(&:to_f)
        missing = part.name[ROW].to_s.scan(FIGURE).map(&:to_f) - sizes
        return if sizes.empty? || missing.empty?

        warning(place(part), "its name says #{missing.map { |one| told(one) }.join(' and ')}, its sizes are #{sizes.map do |one|
          told(one)
        end.join(', ')}: " \
                             "one is wrong.")
      end

      def material(part)
        is = part.spec["material"].to_s
        said = MATERIALS.find { |word| part.name.match?(/\b#{word}\b/i) }
        return if is.empty? || said.nil? || is.downcase.include?(said.downcase)

        warning("#{place(part)}.material", "its name says #{said}, its material is #{is}: one is wrong.")
      end

      # A rubber that is none would be held against nothing.
      def rubber(part)
        is = part.spec["material"]
        near = is && !@rubbers.include?(is) && is.size > 2 && Nearest.one(is, @rubbers) or return

        warning("#{place(part)}.material", "“#{is}” is no rubber on file. Did you mean “#{near}”?")
      end

      def told(size) = Plain.number(size)
      def place(part) = "parts.#{part.number}.spec"
    end
  end
end
