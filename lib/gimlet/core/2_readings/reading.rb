# frozen_string_literal: true

require_relative "../0_quantities/measuring_tools"
require_relative "../plain"
require_relative "../input_error"
require_relative "../value"
require_relative "likelihoods"
require_relative "vocabulary"

module Gimlet
  module Core
    module Readings
      # One trait as observed. `definition` is the Trait. `value` is in the trait's unit; `range` is [low, high]; `unknown` says that it
      # was asked and could not be told; `denied` that it is anything but the value; `hedged` that the observer was in doubt.
      Reading = Value.of(:definition, :value, :range, :unknown, :denied, :hedged, :observer, :tool, :heard) do
        def trait = definition.id

        # @return [String] how it is said back: "plunger diameter 20 mm"
        def to_s
          told = if unknown then "not sure"
                 elsif range then "#{range.map { |one| Reading.plain(one) }.join(' to ')} #{definition.unit}"
                 else "#{Reading.plain(value)} #{definition.unit}"
                 end
          "#{definition.name} #{'not ' if denied}#{told}".strip + (hedged ? ", not certain" : "")
        end

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
              tool: known(MeasuringTools::RESOLUTION, fields[:tool] || trait.way.tool("tape"), "tool"), heard: fields[:heard],
              denied: fields[:denied] || nil, hedged: fields[:hedged] || nil, **statement(trait, fields))
        end

        # @param value [Numeric, String]
        # @return [String] 20.0 as "20"
        def self.plain(value) = value.is_a?(Numeric) ? Plain.number(value) : value.to_s

        class << self
          private

          def statement(trait, fields)
            return { unknown: true } if fields[:unknown]
            return { range: span(trait, fields) } if fields[:range]

            reject("value", "missing_value", "#{trait.name}: give a value, a range, or say unknown.") if fields[:value].nil?
            { value: trait.way.accept(trait, fields[:value], fields[:unit]) }
          end

          def span(trait, fields)
            low, high = fields[:range].map { |field| trait.way.accept(trait, field, fields[:unit]) }
            unless low.is_a?(Numeric) && high.is_a?(Numeric) && low <= high
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
end
