# frozen_string_literal: true

require_relative "../0_quantities/quantity"
require_relative "../input_error"
require_relative "../value"
require_relative "traits"

module Gimlet
  module Core
    module Readings
      OBSERVERS = { "caller" => 1.0, "counter" => 0.4, "photo" => 0.6, "old_invoice" => 0.5 }.freeze

      # Standard error of a measurement in mm (or kg), half the tool's resolution and no finer than 0.05.
      TOOLS = { "eye" => 1.5, "tape" => 0.5, "rule" => 0.25, "caliper" => 0.05, "papers" => 0.1 }.freeze

      # Largest value that is still a pump, in the trait's own unit.
      LIMITS = { "plunger_mm" => 200, "shaft_mm" => 200, "mass_kg" => 5000, "flow_l_min" => 2000,
                 "pressure_bar" => 7000, "speed_rpm" => 6000, "seal_id_mm" => 250, "seal_od_mm" => 300,
                 "seal_height_mm" => 100, "valve_od_mm" => 200, "oring_id_mm" => 500, "oring_section_mm" => 20,
                 "spring_turns" => 40, "cylinders" => 12, "head_bolts" => 60,
                 "valve_caps" => 24 }.freeze

      # One trait as observed. `value` is in the trait's unit; `range` is [low, high]; `unknown` says
      # that it was asked and could not be told.
      Reading = Value.of(:trait, :value, :range, :unknown, :observer, :tool, :heard) do
        def definition = TRAITS.fetch(trait)

        # @return [String] how it is said back: "plunger diameter 20 mm"
        def to_s
          told = if unknown then "not sure"
                 elsif range then "#{range.map { |one| Reading.plain(one) }.join(' to ')} #{definition.unit}"
                 else "#{Reading.plain(value)} #{definition.unit}"
                 end
          "#{definition.name} #{told}".strip
        end
      end

      # Checking what comes from outside.
      class Reading
        # @param fields [Hash{Symbol=>Object}] trait, value | range | unknown, unit, observer, tool, heard
        # @return [Reading]
        # @raise [InputError]
        def self.from(fields)
          trait = TRAITS[fields[:trait].to_s] or reject("trait", "unknown_trait", "“#{fields[:trait]}” is not a trait: " \
                                                                                  "use #{TRAITS.keys.join(', ')}.")
          new(trait: trait.id, observer: known(OBSERVERS, fields[:observer] || "caller", "observer"),
              tool: known(TOOLS, fields[:tool] || default_tool(fields), "tool"), heard: fields[:heard],
              **told(trait, fields))
        end

        # @return [String] 20.0 as "20"
        def self.plain(value)
          value.is_a?(Float) && value == value.round ? value.round.to_s : value.to_s
        end

        class << self
          private

          def told(trait, fields)
            return { unknown: true } if fields[:unknown]
            return { range: span(trait, fields) } if fields[:range]

            reject("value", "missing_value", "#{trait.name}: give a value, a range, or say unknown.") if fields[:value].nil?
            { value: value(trait, fields[:value], fields[:unit]) }
          end

          def span(trait, fields)
            low, high = fields[:range].map { |one| value(trait, one, fields[:unit]) }
            unless low.is_a?(Numeric) && high.is_a?(Numeric) && low <= high
              reject("range", "bad_range", "#{trait.name}: a range runs from the smaller number to the larger one.")
            end
            [low, high]
          end

          def value(trait, given, unit)
            case trait.kind
            when :counted, :serial then whole(trait, given)
            when :measured, :rated then sized(trait, given, unit)
            when :number then number(trait, given)
            else words(trait, given)
            end
          end

          def number(trait, given)
            plain = words(trait, given).upcase.gsub(/[^A-Z0-9]/, "")
            reject("value", "missing_value", "#{trait.name}: “#{given}” has no letter or figure.") if plain.empty?
            plain
          end

          def whole(trait, given)
            text = given.is_a?(Float) && given == given.round ? given.to_i.to_s : given.to_s.strip
            number = text[/\A\d{1,12}\z/]&.to_i
            reject("value", "not_a_count", "#{trait.name}: “#{given}” is not a whole number.") unless number
            limited(trait, number)
          end

          def sized(trait, given, unit)
            quantity = if given.is_a?(Numeric) then Quantity.of(given, unit || trait.unit)
                       else Quantity.parse(given, default_unit: unit || trait.unit)
                       end
            limited(trait, quantity.to(trait.unit).round(4))
          end

          def limited(trait, number)
            limit = LIMITS[trait.id]
            if limit && number > limit
              reject("value", "out_of_range", "#{trait.name} #{plain(number)} #{trait.unit}".strip +
                                              " is beyond any pump here (at most #{limit}): check the figure and unit.")
            end
            number
          end

          def words(trait, given)
            text = given.to_s.strip
            reject("value", "missing_value", "#{trait.name}: nothing was given.") if text.empty?
            reject("value", "too_long", "#{trait.name}: at most 60 characters.") if text.size > 60
            text
          end

          def known(table, name, field)
            return name if table.key?(name)

            reject(field, "unknown_#{field}", "“#{name}” is not a known #{field}: use #{table.keys.join(', ')}.")
          end

          def default_tool(fields) = TRAITS[fields[:trait].to_s].kind == :rated ? "papers" : "tape"

          def reject(...) = InputError.reject(...)
        end
      end
    end
  end
end
