# frozen_string_literal: true

require_relative "../1_catalogue/condition"
require_relative "../1_catalogue/wet_end"
require_relative "../3_teardown/applies_to"
require_relative "../4_demand/positions"
require_relative "../6_tightening/closing"
require_relative "../value"
require_relative "usual_acts"

module Gimlet::Core
  module Plan
    # `fasteners` are ids whose tightening belongs to this step, `stacks` of those that are built up in it, `tools` names of what is in hand besides
    # the drives of its fasteners.
    Step = Value.of(:phase, :title, :text, :fasteners, :stacks, :tools) do
      def initialize(fasteners: [], stacks: [], tools: [], **) = super
    end

    # The work in bench order: off, renew, back on in reverse, and what is done when all is closed.
    module Steps
      module_function

      # @param teardown [Teardown]
      # @param derived [Array<String>] what no sentence of the series says and follows from the layers
      # @return [Array<Step>]
      def for(teardown, derived = [])
        off = teardown.groups.map do |group|
          Step.new(phase: "open", title: title(group, teardown), text: [group.open, *checked(group)], tools: at_hand(group, teardown))
        end
        closed = Closing.of(teardown).map { |moment| close(moment, teardown) }
        usual(:before, "before you loosen", teardown) + off + work(teardown) + unsaid(derived) +
          (closed.empty? ? [] : usual(:closing, "before it closes", teardown)) + closed + finish(teardown)
      end

      # What hands do on every such job.
      DERIVED = "not on the sheet (derived)"
      PHASES = { before: "open", closing: "close" }.freeze

      def usual(moment, title, teardown)
        acts = UsualActs.at(moment, teardown)
        acts.empty? ? [] : [Step.new(phase: PHASES.fetch(moment, "renew"), title: title, text: acts.map(&:text), tools: acts.flat_map(&:tools))]
      end

      # What this series calls them.
      def plungers(teardown) = teardown.variant.series.areas_of(teardown.variant).find { |area| area.id == "plungers" }

      def unsaid(derived) = derived.empty? ? [] : [Step.new(phase: "renew", title: DERIVED, text: derived)]

      # A group's own, and those of the areas that open it: these lie there too.
      def at_hand(group, teardown)
        around = teardown.areas.select { |area| area.opens.include?(group.id) }
        named(group.tools + around.flat_map(&:tools), teardown)
      end

      def named(ids, teardown)
        on_file = teardown.variant.series.tools.select { |tool| ids.include?(tool.id) }
        on_file.select { |tool| Catalogue::Condition.met?(tool.condition, teardown.variant) }.map(&:name)
      end

      # What is agreed, and what comes out on the way to it: the same sentences, as far as they are of what comes out.
      def work(teardown)
        agreed = teardown.areas.map do |area|
          work = teardown.work(area)
          Step.new(phase: "renew", title: area.name, text: work.map(&:text) + checked(area), stacks: area.stacks,
                   tools: named(area.tools + work.flat_map(&:tools), teardown))
        end
        passed = teardown.on_the_way.map do |area, work|
          Step.new(phase: "renew", title: "#{area.name}, on the way", text: work.map(&:text), stacks: area.stacks,
                   tools: named(work.flat_map(&:tools), teardown))
        end
        usual(:look, "#{plungers(teardown)&.name}, a look first", teardown) + usual(:seals, "old seals and their bores", teardown) +
          (agreed + passed).reject { |step| step.text.empty? }
      end

      # Who has read it against the sheet, where that is kept.
      def checked(entry) = [Catalogue::Checked.in_words(entry.checked)].compact.map { |words| "(#{words.capitalize}.)" }

      def close(moment, teardown)
        name = moment.group ? title(moment.group, teardown) : moment.step&.name || tightened(teardown, moment)
        Step.new(phase: "close", title: name, text: moment.text, fasteners: moment.tightens, tools: tools_of(moment, teardown))
      end

      def tightened(teardown, moment)
        again = teardown.fasteners.find { |fastener| moment.tightens.include?(Tightening::Instruction.id(fastener.id, true)) }
        again ? "#{again.name}, again" : teardown.fasteners.find { |fastener| moment.tightens.include?(fastener.id) }.name
      end

      def tools_of(moment, teardown)
        (moment.group ? at_hand(moment.group, teardown) : []) + named(moment.step&.tools || [], teardown)
      end

      # Where only some positions are worked on, what comes off at each says where.
      def title(group, teardown)
        teardown.scope.at.any? && teardown.positions(group) ? "#{group.name} (#{Positions.short(teardown.positions(group))})" : group.name
      end

      def finish(teardown)
        variant = teardown.variant
        due = variant.series.finish.select do |entry|
          AppliesTo.work?(entry, teardown) && (entry.figure.nil? || variant.trait(entry.figure["trait"]))
        end
        due.partition { |entry| !entry.later }.flatten.map do |entry|
          Step.new(phase: entry.later ? "after running" : "finish", title: entry.later ? "after running in" : "when closed",
                   text: [with_figure(entry, variant)])
        end
      end

      # "Seat them at {figure}" with the figure worked out from the pump's own trait, rounded down to what a gauge shows.
      def with_figure(one, variant)
        figure = one.figure or return one.text
        most = variant.trait(figure["trait"])
        value = (most.is_a?(Range) ? most.end : most) * Rational(figure["times"].to_s)
        one.text.sub("{figure}", "#{value.floor} #{figure['unit']}")
      end
    end
  end
end
