# frozen_string_literal: true

require_relative "../../0_quantities/celsius"
require_relative "rule"

module Gimlet::Core
  module Ear
    module Rules
      # What is pumped and how hot: "pumps diesel", "pumping sea water at 60 degrees", "hot water at 90 degrees", "water at 140 F".
      class Pumped < Rule
        PUMPS = %w[pump pumps pumping moves handles runs].freeze
        DEGREES = %w[° deg degree degrees].freeze
        UNITS = { "c" => "c", "celsius" => "c", "centigrade" => "c", "f" => "f", "fahrenheit" => "f" }.freeze
        AT = %w[at of is up to around about].freeze
        DEGREES_MOST = 3

        def call(place)
          pumped(place) + hot(place)
        end

        private

        def media(place) = place < lattice.size ? says(place, :medium) : NONE

        def pumped(place)
          return NONE unless PUMPS.include?(tokens[place].text.downcase) || norm(place) == "pump"

          at = place + 1
          at += 1 if %w[on with].include?(norm(at))
          media(at).map do |medium|
            heat, ending = heat(medium.to)
            made(place, ending || medium.to, medium.says(:medium), heat)
          end
        end

        # Water that has a temperature is what is pumped.
        def hot(place)
          media(place).filter_map do |medium|
            heat, ending = heat(medium.to)
            made(place, ending, medium.says(:medium), heat) if heat
          end
        end

        # @return [Array(Numeric, Integer), nil] °C, and where it ends
        def heat(place)
          place += 1 while place < lattice.size && (AT.include?(norm(place)) || tokens[place].text == ",")
          return unless tokens[place]&.text&.match?(/\A\d{1,#{DEGREES_MOST}}\z/o)

          at = place + 1
          degrees = DEGREES.include?(norm(at))
          at += 1 if degrees
          unit = UNITS[norm(at)]
          return unless degrees || unit

          [Celsius.of(tokens[place].text.to_i, unit), unit ? at + 1 : at]
        end

        def made(from, to, medium, heat)
          measure = { "what" => "service", "measure" => { "medium" => medium, "temperature_c" => heat }.compact }
          candidate(from, to, [{ measure: measure, from: from, to: to }], strong: true)
        end
      end
    end
  end
end
