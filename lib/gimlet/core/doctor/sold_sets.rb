# frozen_string_literal: true

require_relative "../1_catalogue/condition"
require_relative "../1_catalogue/variant"
require_relative "remark"

module Gimlet::Core
  class Doctor
    # Kits against the pumps that they are sold for: what they hold has a place there, and no more of it than the pump has.
    class SoldSets
      include Saying

      # Figures of a kit's name that are serials.
      SERIAL = /\b\d{4,}\b/
      # Of more stacks than these not every choice is tried.
      MOST_STACKS = 10

      # @param series [Catalogue::Series]
      def initialize(series, _known)
        @series = series
        @variants = Catalogue::Variant.of_series(series).uniq { |one| [one.traits.values_at(*series.condition_keys), one.sides] }
        @newer = series.parts.to_h { |part| [part.number, part.superseded_by] }
        @parts = series.parts.to_h { |part| [part.number, part] }
        @held = @variants.to_h { |variant| [variant, pieces(variant)] }
      end

      # @return [Array<Remark>]
      def call = @series.kits.flat_map { |kit| homeless(kit) + counted(kit) + apart(kit) + whole_pump(kit) + serials(kit) } + alike

      private

      # @return [Hash{String=>Hash{String=>Integer}}] every number that serves a place of this pump => stack id => how many places
      def pieces(variant)
        @series.stacks.select { |stack| Catalogue::Condition.met?(stack.condition, variant) }.each_with_object({}) do |stack, all|
          there = stack.layers_of(variant).flat_map { |layer| serving_slot(layer.slot, variant) }
          there.tally.each { |number, times| (all[number] ||= {})[stack.id] = times * stack.positions.size }
        end
      end

      def serving_slot(slot, variant) = @series.parts_for(slot, variant).flat_map { |number| serving(number) }.uniq

      # The number, what it was and became, and what is equal to it.
      def serving(number)
        chain = [number]
        chain << @newer[chain.last] while @newer[chain.last] && !chain.include?(@newer[chain.last])
        others = @series.parts.select { |part| chain.intersect?([part.superseded_by, *part.interchange]) }
        chain.flat_map { |one| [one, *@parts[one]&.interchange] } + others.map(&:number)
      end

      def sold_for(kit) = @variants.select { |variant| Catalogue::Condition.met?(kit.condition, variant) }

      def homeless(kit)
        pumps = sold_for(kit)
        kit.contents.keys.filter_map do |number|
          without = pumps.reject { |variant| @held[variant].key?(number) }
          next if without.empty?

          if without == pumps && fits?(number)
            error("kits.#{kit.number}", "holds #{number}, which has no place on any pump that the kit is for: another number, or another `for`.")
          else
            warning("kits.#{kit.number}", "holds #{number}, which has no place on #{without.first.id}: say `for` which pumps the kit is.")
          end
        end
      end

      def fits?(number) = @held.values.any? { |held| held.key?(number) }

      # There is a choice of stacks that the kit is for: it holds what they hold, or goes into that without a rest.
      def counted(kit)
        rows = rows(kit)
        return too_many(kit, rows) if rows.any? { |_, quantity, held| quantity > held.values.sum }

        rows.empty? || some_stacks(rows).any? { |stacks| goes_into?(kit, rows, stacks) } ? [] : uneven(kit, rows)
      end

      # @return [Array<Array(String, Integer, Hash{String=>Integer})>] number, quantity, and what the pump with the most of it has by stack
      def rows(kit)
        kit.contents.filter_map do |number, quantity|
          held = sold_for(kit).filter_map { |variant| @held[variant][number] }.max_by { |one| one.values.sum }
          [number, quantity, held] if held
        end
      end

      def some_stacks(rows)
        stacks = rows.flat_map { |_, _, held| held.keys }.uniq
        return [stacks] if stacks.size > MOST_STACKS

        (1..stacks.size).flat_map { |some| stacks.combination(some).to_a }
      end

      def goes_into?(kit, rows, stacks)
        times = rows.map { |_, quantity, held| Rational(held.slice(*stacks).values.sum, quantity) }.uniq
        times.one? && (kit.per == "pump" ? times.first == 1 : times.first >= 1 && times.first.denominator == 1)
      end

      def too_many(kit, rows)
        rows.select { |_, quantity, held| quantity > held.values.sum }.map do |number, quantity, held|
          error("kits.#{kit.number}", "holds #{quantity} of #{number}; a whole pump has #{held.values.sum}: check the quantity.")
        end
      end

      def uneven(kit, rows)
        told = rows.map { |number, quantity, held| "#{quantity} of #{number} (a pump has #{held.values.sum})" }.join(", ")
        [warning("kits.#{kit.number}",
                 "is for one #{kit.per || 'place'} and holds #{told}: these do not go together. Check the quantities, or `per`.")]
      end

      # The pieces of one valve lie in one valve.
      def apart(kit)
        return [] if kit.per != "valve" || @series.item == "valve"

        places = rows(kit).map { |_, _, held| held.keys.flat_map { |id| @series.stack(id).positions } }
        return [] if places.empty? || places.reduce(:&).any? || places.flatten.none?

        [warning("kits.#{kit.number}",
                 "is for one #{kit.per}, and its pieces lie at no one place together: #{kit.contents.keys.join(', ')}. One of them is another's.")]
      end

      # "One pump", and what is in it.
      def whole_pump(kit)
        said = kit.name[/\bone (pump|cylinder|end|valve|head|side)\b/, 1]
        return [] if said.nil? || kit.per.nil? || said == kit.per

        [warning("kits.#{kit.number}.per", "is #{kit.per}, and its name says one #{said}: one is wrong.")]
      end

      def serials(kit)
        breaks = @series.serial_breaks.map { |one| one.from.to_s }
        (breaks.empty? ? [] : kit.name.scan(SERIAL) - breaks - kit.name.scan(/#{Regexp.escape(kit.number)}/)).map do |serial|
          warning("kits.#{kit.number}", "its name says serial #{serial}, the breaks are at #{breaks.join(', ')}: one is wrong.")
        end
      end

      # Kits of one name but for the size hold pieces of the same places.
      def alike
        @series.kits.group_by { |kit| [kit.name.gsub(/\d+(?:\.\d+)?/, "#"), kit.per] }.values.select { |kits| kits.size > 2 }.flat_map do |kits|
          slots = kits.to_h { |kit| [kit, kit.contents.keys.flat_map { |number| slots_of(number) }.uniq.sort] }
          usual, kin = slots.group_by(&:last).max_by { |_, same| same.size }
          next [] unless kin.size * 2 > kits.size

          slots.filter_map { |kit, own| unlike(kit, own, usual, kin.first.first) }
        end
      end

      def unlike(kit, own, usual, other)
        return if own == usual

        text = [("lacks #{(usual - own).join(', ')}" if (usual - own).any?),
                ("has #{(own - usual).join(', ')} besides" if (own - usual).any?)].compact.join(" and ")
        warning("kits.#{kit.number}", "#{text}, unlike #{other.number}: check its contents.")
      end

      def slots_of(number) = @series.fits.select { |fit| serving(fit.part).include?(number) }.map(&:slot)
    end
  end
end
