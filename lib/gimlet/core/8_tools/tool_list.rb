# frozen_string_literal: true

require_relative "../1_catalogue/condition"
require_relative "../7_tightening/instruction"
require_relative "../value"
require_relative "wrenches"

module Gimlet
  module Core
    module Tools
      # `kind` is "drive", "torque wrench", "common" or "made"; made tools carry the number they are lent under.
      Needed = Value.of(:name, :number, :kind, :why)
      Used = Value.of(:name, :amount, :unit)

      # Everything that must lie on the bench for a teardown.
      class ToolList
        # @param teardown [Teardown]
        # @param instructions [Array<Tightening::Instruction>]
        def initialize(teardown, instructions, pumps: 1)
          @teardown = teardown
          @series = teardown.variant.series
          @instructions = instructions
          @pumps = pumps
        end

        # @return [Array<Needed>]
        def tools = drives + wrenches + special

        # @return [Array<Used>] amounts for all pumps
        def consumables
          usages = (@teardown.groups + @teardown.areas).flat_map { |one| one.consumables.map { |usage| [usage, one] } }
          usages.group_by { |usage, _| usage.consumable }.map do |id, same|
            consumable = @series.consumable(id)
            Used.new(name: consumable.name, unit: consumable.unit,
                     amount: same.sum { |usage, place| usage.amount * count(usage, place) } * @pumps)
          end
        end

        private

        def drives
          @teardown.fasteners.group_by(&:drive).map do |drive, fasteners|
            Needed.new(name: drive, kind: "drive", why: fasteners.map(&:name).join(", "))
          end
        end

        def wrenches
          scales, beyond = Wrenches.choose(@instructions.flat_map(&:targets_nm))
          chosen = scales.map { |scale| wrench("torque wrench to #{scale} N·m (from #{(scale * 0.2).round(1)})") }
          chosen + beyond.map { |value| wrench("a torque wrench for #{value.to_f.round(1)} N·m: none lent here") }
        end

        def wrench(name) = Needed.new(name: name, kind: "torque wrench", why: "values below lie in 20 to 100 % of its scale")

        def special
          users = @teardown.groups.map { |group| [group.tools, group.name] } +
                  @teardown.areas.map { |area| [area.tools, Catalogue::WORK_AREAS.fetch(area.id)] }
          ids = users.flat_map(&:first).uniq
          @series.tools.select { |tool| ids.include?(tool.id) && Catalogue::Condition.met?(tool.condition, @teardown.variant) }
                 .map { |tool| needed(tool, users.select { |tools, _| tools.include?(tool.id) }.map(&:last)) }
        end

        def needed(tool, users)
          Needed.new(name: tool.name, number: tool.number, kind: tool.kind, why: users.join(", "))
        end

        def count(usage, place)
          case usage.per
          when "fastener" then place.fasteners.sum { |id| @series.fastener(id).points.size }
          when "position" then place.stacks.sum { |id| @series.stack(id).positions.size }
          else 1
          end
        end
      end
    end
  end
end
