# frozen_string_literal: true

require_relative "../../0_quantities/units"
require_relative "rule"

module Gimlet::Core
  module Ear
    module Rules
      # "torque in foot pounds", "newton metres please", "needs it today", "what torque", "how much".
      class Wished < Rule
        UNIT_WORDS = 3
        # What the name of a unit of torque may begin with.
        BEGINS = Units::SPELLINGS.select { |_, symbol| Units::KIND_OF[symbol] == :torque }.keys
                                 .flat_map { |name| (1..name.size).map { |size| name[0, size] } }.to_h { |text| [text, true] }.freeze
        TORQUE = "A torque is looked up, never taken from a caller."

        def call(place)
          wishes(place) + units(place) + given(place)
        end

        private

        def wishes(place)
          says(place, :wish).flat_map do |piece|
            id = piece.says(:wish)
            unit, ending = torque_unit(skip(unit_word(piece.to))) if %w[unit torque].include?(id)
            found = unit ? [candidate(place, ending, [{ unit: unit, from: place, to: ending }], cost: Costs::RULE - 0.2)] : []
            found << candidate(place, piece.to, [{ wish: id, from: place, to: piece.to }], weak: 0.5) unless id == "unit"
            found
          end
        end

        def unit_word(place)
          place = skip(place)
          more = place < lattice.size && says(place, :wish).find { |piece| piece.says(:wish) == "unit" }
          more ? more.to : place
        end

        def units(place)
          unit, ending = torque_unit(place)
          unit && place_free?(place) ? [candidate(place, ending, [{ unit: unit, from: place, to: ending }], weak: Costs::WEAK)] : NONE
        end

        # A unit behind a figure is that figure's.
        def place_free?(place) = place.zero? || !tokens[place - 1].figure

        def torque_unit(place)
          return unless place < lattice.size && BEGINS.key?(tokens[place].text.downcase)

          UNIT_WORDS.downto(1) do |count|
            run = tokens[place, count]
            symbol = run.size == count && Units.symbol(run.map(&:text).join)
            return [symbol, place + count] if symbol && Units::KIND_OF[symbol] == :torque
          end
          nil
        end

        # "220 inch pounds on the bolts"
        def given(place)
          pieces(place).select { |piece| piece.unit && Units::KIND_OF[piece.unit] == :torque }.map { |piece| aside(place, piece.to, TORQUE) }
        end
      end
    end
  end
end
