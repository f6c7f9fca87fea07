# frozen_string_literal: true

require_relative "../0_quantities/hydraulics"
require_relative "../1_catalogue/series"
require_relative "remark"

module Gimlet::Core
  class Doctor
    # Models, their traits and serial breaks: known traits, of the right sort, that agree with each other.
    class Pumps
      include Saying

      # Volumetric efficiency of a sound plunger pump. Common handbook range.
      EFFICIENCY = (0.80..1.0)
      # What a pump is called by is no trait of a document.
      OURS = %w[maker series item].freeze

      # @param series [Catalogue::Series]
      # @param known [Known]
      def initialize(series, known)
        @series = series
        @known = known.traits
        @variants = Catalogue::Variant.of_series(series)
      end

      # @return [Array<Remark>]
      def call = traits + conditions + shares + flows + cranks

      private

      def traits
        return [] unless @known

        told = [["traits", @series.traits], *@series.models.map { |model| ["models.#{model.designation}.traits", model.traits] },
                *@series.serial_breaks.flat_map do |serial_break|
                  [["serial_breaks.#{serial_break.id}", serial_break.traits_before], ["serial_breaks.#{serial_break.id}", serial_break.traits_from]]
                end]
        told.flat_map { |place, values| values.flat_map { |id, value| trait(place, id, value) } }.uniq
      end

      def trait(place, id, value)
        known = @known[id] or
          return [error("#{place}.#{id}", "is no known trait: define it under trait_definitions.#{instead(id, @known.keys - OURS)}")]
        return [error("#{place}.#{id}", "is found out by itself: leave it out.")] if OURS.include?(id) || known.slot || known.kind.free?

        sort(place, known, value) + size(place, known, value) + misspelt(place, known, value)
      end

      # A word that is nearly one of the trait's own would be found by nobody.
      def misspelt(place, known, value)
        words = known.kind_id == "chosen" ? known.values.to_h.keys : []
        return [] if words.empty? || words.include?(value) || !value.is_a?(String)

        near = Nearest.one(value, words)
        near ? [error("#{place}.#{known.id}", "“#{value}” is none of its words. Did you mean “#{near}”?")] : []
      end

      def sort(place, known, value)
        return [] if known.kind.keeps?(value)

        unit = known.unit && ", in #{known.unit}"
        [error("#{place}.#{known.id}", "“#{value}” is not #{known.kind.number? ? "a number#{unit}" : 'one of its words, in quotation marks'}.")]
      end

      def size(place, known, value)
        top = value.is_a?(Range) ? value.end : value
        return [] unless known.most && top.is_a?(Numeric) && top > known.most

        [error("#{place}.#{known.id}", "#{top} #{known.unit} is beyond any pump (at most #{known.most}): check the figure and its unit.")]
      end

      # A condition that no pump meets hides what stands under it.
      def conditions
        @series.conditional.filter_map { |entry| [entry, entry.condition] if entry.condition }.uniq(&:last).flat_map do |entry, condition|
          condition.flat_map { |key, wanted| condition(entry, key, Array(wanted)) }
        end
      end

      def condition(entry, key, wanted)
        place = "#{entry.class.name.split('::').last.downcase}.#{name(entry)}.for"
        breaks = @series.serial_breaks.map(&:id)
        return (wanted - breaks).map { |id| error(place, "there is no serial break “#{id}”.#{instead(id, breaks)}") } if %w[before from].include?(key)

        had = @variants.map { |variant| variant.trait(key) }.uniq
        (wanted - had).map do |value|
          error(place, "no pump of the series has #{key} #{value.inspect}: it has #{had.compact.map(&:inspect).join(', ')}.")
        end
      end

      def name(entry) = %i[id number slot text kind].filter_map { |key| entry.members.include?(key) && entry[key] }.first.to_s[0, 40]

      def shares
        @series.serial_breaks.sort_by(&:from).each_cons(2).filter_map do |earlier, later|
          next if earlier.models && later.models && !earlier.models.intersect?(later.models)
          next if earlier.from < later.from && earlier.share_from > later.share_from

          error("serial_breaks.#{later.id}", "#{later.share_from} of the pumps are from #{later.from} on, but #{earlier.share_from} from " \
                                             "#{earlier.from}: a later break has a larger from and a smaller share_from.")
        end
      end

      def flows
        @series.models.filter_map do |model|
          traits = @series.traits.merge(model.traits)
          wanted = traits.values_at("cylinders", "plunger_mm", "speed_rpm", "flow_l_min") << model.stroke_mm
          next unless wanted.all?(Numeric)

          share = wanted[3] / swept(*wanted.values_at(0, 1, 2, 4))
          next if EFFICIENCY.cover?(share)

          warning("models.#{model.designation}", "rated #{wanted[3]} L/min is #{(share * 100).round} % of what bore, stroke and speed sweep.")
        end
      end

      # A crank position is worked out from the pump's own stroke and rod.
      def cranks
        return [] unless @series.refit

        @series.models.reject { |model| model.stroke_mm && model.rod_mm }.map do |model|
          warning("models.#{model.designation}", "has no stroke_mm or no rod_mm: its crank position cannot be worked out.")
        end
      end

      def swept(plungers, bore, speed, stroke)
        Hydraulics.flow_l_min(plungers: plungers, bore_mm: bore, stroke_mm: stroke, speed_rpm: speed)
      end
    end
  end
end
