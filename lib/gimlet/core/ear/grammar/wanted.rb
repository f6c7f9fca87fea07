# frozen_string_literal: true

require_relative "../../0_quantities/units"

module Gimlet
  module Core
    module Ear
      class Grammar
        # Work that is asked for, and wishes.
        module Wanted
          private

          def work(clause)
            # "plungers are fine", "valves were done last year": nothing to do there.
            return if (says?(clause, :past) || says?(clause.select(&:used), :damage)) && !needs?(clause)

            told = @items.flat_map { |item| item.readings || [] }.map { |fields| fields[:trait] }
            told = [] if clause.none?(&:used)
            unused(clause).reject { |piece| piece.areas.empty? || piece.nouns.intersect?(told) }.each { |piece| note([piece], areas: piece.areas) }
          end

          # "torque in foot pounds", "today"
          def wishes(clause)
            at = clause.index { |piece| %w[unit torque].include?(piece.says(:wish)) }
            unit, run = torque_unit(clause.drop(at + 1).reject { |piece| piece.says(:wish) == "unit" }) if at
            note([clause[at], *run], unit: unit) if unit
            bare, run = torque_unit(unused(clause)) unless unit
            note(run, unit: bare) if bare && clause.none?(&:figure)
            unused(clause).each { |piece| note([piece], wish: piece.says(:wish)) if piece.says(:wish) && piece.says(:wish) != "unit" }
          end

          def torque_unit(pieces)
            3.downto(1) do |count|
              symbol = Units.symbol(pieces.take(count).map { |piece| piece.tokens.map(&:text).join }.join)
              return [symbol, pieces.take(count)] if symbol && Units::KIND_OF[symbol] == :torque
            end
            nil
          end
        end
      end
    end
  end
end
