# frozen_string_literal: true

require_relative "../1_catalogue/condition"
require_relative "../3_teardown/applies_to"
require_relative "../6_tightening/instruction"
require_relative "../plain"
require_relative "../value"
require_relative "wrenches"

module Gimlet::Core
  module Tools
    # `kind` is "drive", "torque wrench", "common" or "made"; made tools carry the number they are lent or sold under, and its price where it
    # has one. `substitute` is what the trade makes do with.
    Needed = Value.of(:name, :number, :kind, :why, :substitute, :price_cents)
    # `packs` of `number` are sold for the amount; both nil where the series names no pack. `amount` and `unit` are nil where it is used and how much
    # is not on file.
    Used = Value.of(:name, :amount, :unit, :number, :packs) do
      # @return [String] "12 drops"
      def how_much = amount ? "#{Plain.number(amount)} #{unit}" : "how much is not on file"
    end

    # Everything that must lie on the bench for a teardown.
    class ToolList
      # @param teardown [Teardown]
      # @param instructions [Array<Tightening::Instruction>]
      # @param own [Array<Wrench>] the customer's torque wrenches
      # @param extension [Tightening::Extension, nil] between wrench and bolt: a wrench must reach what is set, not what is wanted
      # @param stock [Hash{String=>KitPlan::Stock}] prices of tools that are sold
      def initialize(teardown, instructions, pumps: 1, own: [], extension: nil, stock: {})
        @extension = extension
        @own = own
        @stock = stock
        @teardown = teardown
        @variant = teardown.variant
        @series = teardown.variant.series
        @instructions = instructions
        @pumps = pumps
      end

      # @return [Array<Needed>]
      def tools = drives + wrenches + special

      # @return [Array<Used>] amounts for all pumps
      def consumables
        amounts = (of_groups + of_areas + of_layers + of_refits).group_by(&:first)
        amounts.map { |id, same| used(@series.consumable(id), same.sum(&:last) * @pumps) }
      end

      # @return [Wrenches::Choice]
      def choice = @choice ||= Wrenches.choose(@instructions.flat_map { |one| one.settings_nm(@extension) }, own: @own)

      private

      def used(consumable, amount)
        packs = (Rational(amount.to_s) / Rational(consumable.pack.to_s)).ceil if consumable.pack
        Used.new(name: consumable.name, unit: consumable.unit, amount: amount, number: consumable.number, packs: packs)
      end

      # @return [Array<Array(String, Numeric)>] consumable and amount
      def of_groups
        @teardown.groups.flat_map do |group|
          positions = @teardown.positions(group)
          group.consumables.map { |usage| [usage.consumable, usage.amount * group_count(usage, group, positions)] }
        end
      end

      def group_count(usage, group, positions)
        case usage.per
        when "fastener" then group.fasteners.sum { |id| @series.fastener(id).holding(positions).points.size }
        when "position" then (positions || group.disturbs.keys.flat_map { |id| @series.stack(id).positions }.uniq).size
        else 1
        end
      end

      def of_areas
        @teardown.areas.flat_map do |area|
          area.consumables.map { |usage| [usage.consumable, usage.amount * (usage.per == "position" ? @teardown.worked(area).size : 1)] }
        end
      end

      def of_refits
        refits.flat_map do |step|
          positions = step.puts.keys.flat_map { |id| @series.stack(id).positions }.uniq
          step.consumables.map { |usage| [usage.consumable, usage.amount * (usage.per == "position" ? positions.size : 1)] }
        end
      end

      # A layer that is handled goes in again, old or new.
      def of_layers
        @teardown.places.flat_map do |place|
          place.layer.consumables.map do |usage|
            [usage.consumable, usage.amount * (usage.per == "contact_face" ? place.layer.contact_faces || 1 : 1)]
          end
        end
      end

      def drives
        @teardown.fasteners.group_by(&:drive).map do |drive, fasteners|
          Needed.new(name: drive, kind: "drive", why: fasteners.map(&:name).join(", "))
        end
      end

      def wrenches
        choice.wrenches.map { |wrench| Needed.new(name: wrench.name, kind: "torque wrench", why: reached_by(wrench)) } +
          choice.missing.map do |value|
            Needed.new(name: "a torque wrench for #{value.to_f.round(1)} N·m", kind: "torque wrench", why: "none lent here reaches it")
          end
      end

      def reached_by(wrench)
        reached = @instructions.select { |instruction| instruction.settings_nm(@extension).any? { |value| choice.for(value) == wrench } }
        reached.map { |instruction| instruction.fastener.name }.uniq.join(", ")
      end

      def special
        users = @teardown.groups.map { |group| [group.tools, group.name] } +
                @teardown.areas.map { |area| [area.tools + @teardown.work(area).flat_map(&:tools), area.name] } +
                @teardown.on_the_way.map { |area, work| [work.flat_map(&:tools), "#{area.name}, on the way"] } +
                refits.map { |step| [step.tools, step.name] }
        ids = users.flat_map(&:first).uniq
        @series.tools.select { |tool| ids.include?(tool.id) && Catalogue::Condition.met?(tool.condition, @variant) }
               .map { |tool| needed(tool, users.select { |tools, _| tools.include?(tool.id) }.map(&:last)) }
      end

      # @return [Array<Catalogue::CloseStep>] what is done between the groups that go back
      def refits = @refits ||= @series.close_order.select { |step| step.id && AppliesTo.work?(step, @teardown) }

      def needed(tool, users)
        Needed.new(name: tool.name, number: tool.number, kind: tool.kind, why: users.join(", "), substitute: tool.substitute,
                   price_cents: @stock[tool.number]&.price_cents)
      end
    end
  end
end
