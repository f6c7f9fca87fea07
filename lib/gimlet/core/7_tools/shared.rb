# frozen_string_literal: true

require_relative "../value"
require_relative "wrenches"

module Gimlet::Core
  module Tools
    # One set of tools for several pumps: each tool once, and the fewest torque wrenches that reach every value of all of them.
    #
    #   Shared.of([workup, other]).map(&:name) # => ["torque wrench 10 to 50 N·m", "hex 6", "guide pins"]
    module Shared
      # `pumps` are the designations that it is for.
      Tool = Value.of(:name, :number, :kind, :pumps)
      WRENCH = "torque wrench"

      module_function

      # @param workups [Array<Plan::Workup>]
      # @param own [Array<Wrench>] the customer's torque wrenches
      # @return [Array<Tool>]
      def of(workups, own: [])
        wrenches(workups, own) + workups.flat_map { |one| others(one) }.group_by { |tool| [tool.number, tool.name] }.map do |_, same|
          same.first.with(pumps: same.flat_map(&:pumps).uniq)
        end
      end

      def wrenches(workups, own)
        values = workups.to_h { |one| [one.variant.designation, one.tightening.flat_map { |row| row.settings_nm(one.extension) }] }
        choice = Wrenches.choose(values.values.flatten, own: own)
        choice.wrenches.map do |wrench|
          Tool.new(name: wrench.name, kind: WRENCH, pumps: values.select { |_, some| some.any? { |value| choice.for(value) == wrench } }.keys)
        end
      end

      def others(workup)
        workup.tools.reject { |tool| tool.kind == WRENCH }
              .map { |tool| Tool.new(name: tool.name, number: tool.number, kind: tool.kind, pumps: [workup.variant.designation]) }
      end
      private_class_method :wrenches, :others
    end
  end
end
