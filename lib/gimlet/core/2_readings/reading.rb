# frozen_string_literal: true

require_relative "../0_quantities/measuring_tools"
require_relative "../plain"
require_relative "../input_error"
require_relative "../value"
require_relative "likelihoods"
require_relative "vocabulary"

module Gimlet::Core
  module Readings
    # One trait as observed. `definition` is the Trait. `value` is in the trait's unit; `range` is [low, high], one of them nil where it is open;
    # `unknown` says that it was asked and could not be told; `denied` that it is anything but the value; `hedged` that the observer was in doubt.
    Reading = Value.of(:definition, :value, :range, :unknown, :denied, :hedged, :observer, :tool, :heard) do
      def trait = definition.id

      # @return [String] how it is said back: "plunger diameter 20 mm"
      def to_s
        told = if unknown then "not sure"
               elsif range then "#{Reading.span_in_words(*range)} #{definition.unit}"
               else "#{Reading.plain(value)} #{definition.unit}"
               end
        "#{definition.name} #{'not ' if denied}#{told}".strip + (hedged ? ", not certain" : "")
      end

      # @return [Array(Numeric, Numeric)] what it may be, an open end being infinite
      def bounds = range ? [range.first || -Float::INFINITY, range.last || Float::INFINITY] : [value, value]

      # @return [Numeric] the middle, or the end that was named
      def middle = range ? range.compact.sum / range.compact.size.to_f : value

      # @return [Array] what it says, without the words it was said in
      def content = [trait, value, range, unknown, denied, hedged, observer, tool]
    end

    # Checking what comes from outside.
    class Reading
      # @param fields [Hash{Symbol=>Object}] trait, value | range | unknown, denied, hedged, unit, observer, tool, heard
      # @param vocabulary [Vocabulary]
      # @return [Reading]
      # @raise [InputError]
      def self.from(fields, vocabulary)
        trait = vocabulary.trait(fields[:trait])
        new(definition: trait, observer: known(Likelihoods::OBSERVERS, fields[:observer] || "caller", "observer"),
            tool: known(MeasuringTools::RESOLUTION, fields[:tool] || trait.kind.tool("tape"), "tool"), heard: fields[:heard],
            denied: fields[:denied] || nil, hedged: fields[:hedged] || nil, **statement(trait, fields))
      end

      # @param value [Numeric, String]
      # @return [String] 20.0 as "20"
      def self.plain(value) = value.is_a?(Numeric) ? Plain.number(value) : value.to_s

      # @return [String] "18 to 20", "9 or more", "up to 10"
      def self.span_in_words(low, high)
        return "#{plain(low)} to #{plain(high)}" if low && high

        low ? "#{plain(low)} or more" : "up to #{plain(high)}"
      end

      class << self
        private

        def statement(trait, fields)
          return { unknown: true } if fields[:unknown]
          return { range: span(trait, fields) } if fields[:range]

          reject("value", "missing_value", "#{trait.name}: give a value, a range, or say unknown.") if fields[:value].nil?
          { value: trait.kind.accept(trait, fields[:value], fields[:unit]) }
        end

        def span(trait, fields)
          low, high = fields[:range].map { |field| field && trait.kind.accept(trait, field, fields[:unit]) }
          unless [low, high].any? && [low, high].compact.all?(Numeric) && (low.nil? || high.nil? || low <= high)
            reject("range", "bad_range", "#{trait.name}: a range runs from the smaller number to the larger one.")
          end
          [low, high]
        end

        def known(table, name, field)
          return name if table.key?(name)

          reject(field, "unknown_#{field}", "“#{name}” is not a known #{field}: use #{table.keys.join(', ')}.")
        end

        def reject(...) = InputError.reject(...)
      end
    end
  end
end
