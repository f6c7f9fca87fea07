# frozen_string_literal: true

require_relative "../3_teardown/applies_to"
require_relative "../value"
require_relative "instruction"

module Gimlet::Core
  # The order in which a pump is closed: what came off first goes back last, unless the series has an order of its own.
  #
  #   Closing.of(teardown).map(&:key) # => ["plungers", "manifold", "packing_nuts-again"]
  module Closing
    # One step. `group` is what goes back, nil where nothing does; `step` the row of the series, nil where it follows from the groups;
    # `tightens` are ids of Tightening::Instruction that belong here.
    Moment = Value.of(:group, :step, :tightens) do
      def key = group&.id || step&.key || tightens.first
      def text = [group&.close, step&.text].compact
    end

    module_function

    # @param teardown [Teardown]
    # @return [Array<Moment>]
    def of(teardown)
      rows = teardown.variant.series.close_order
      rows.empty? ? usual(teardown) : rows.filter_map { |row| moment(row, teardown) }
    end

    # @param teardown [Teardown]
    # @param instructions [Array<Tightening::Instruction>]
    # @return [Array<Tightening::Instruction>] in the order in which they are done
    def in_order(teardown, instructions)
      order = of(teardown).flat_map(&:tightens)
      instructions.sort_by.with_index { |instruction, at| [order.index(instruction.id) || order.size, at] }
    end

    # In reverse; what is tightened again comes when all is back.
    def usual(teardown)
      teardown.groups.reverse.map { |group| closed(group) } +
        again(teardown).map { |id| Moment.new(tightens: [Tightening::Instruction.id(id, true)]) }
    end

    def closed(group, step = nil, apart = []) = Moment.new(group: group, step: step, tightens: group.fasteners - apart)

    def moment(row, teardown)
      if row.group
        group = teardown.groups.find { |one| one.id == row.group } and closed(group, row, apart(teardown))
      elsif row.tighten
        tightened(row, teardown)
      elsif AppliesTo.work?(row, teardown)
        Moment.new(step: row, tightens: [])
      end
    end

    def tightened(row, teardown)
      return if teardown.fasteners.none? { |fastener| fastener.id == row.tighten }

      Moment.new(step: row, tightens: [Tightening::Instruction.id(row.tighten, again(teardown).include?(row.tighten))])
    end

    # @return [Array<String>] fasteners that are tightened once, at a moment of their own
    def apart(teardown) = teardown.variant.series.close_order.filter_map(&:tighten) - again(teardown)

    # @return [Array<String>] fasteners that are tightened at two moments of this work
    def again(teardown)
      teardown.fasteners.select do |fastener|
        Tightening::Kinds.of(Tightening::Instruct.published(fastener, teardown.variant)).later
      end.map(&:id)
    end
  end
end
