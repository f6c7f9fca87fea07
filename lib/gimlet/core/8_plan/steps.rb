# frozen_string_literal: true

require_relative "../1_catalogue/shapes"
require_relative "../1_catalogue/wet_end"
require_relative "../3_teardown/applies_to"
require_relative "../4_demand/positions"
require_relative "../6_tightening/closing"
require_relative "../value"

module Gimlet::Core
  module Plan
    # `fasteners` are ids whose tightening belongs to this step, `stacks` of those that are built up in it.
    Step = Value.of(:phase, :title, :text, :fasteners, :stacks) do
      def initialize(fasteners: [], stacks: [], **) = super
    end

    # The work in bench order: off, renew, back on in reverse, and what is done when all is closed.
    module Steps
      module_function

      # What holds for every pump, and for those with such bolts or rings. Common practice, no source.
      KEYED = "A bolt whose key slips: seat the key with a punch and a hammer before you turn it. An impact driver loosens, it never tightens."
      REVERSE = "Loosen in the reverse of the order on the drawings; round a flange a quarter turn at a time."
      SOFT = "Lever evenly and tap with something soft; no metal tool touches a bore, a ceramic or a seal face."
      RINGS = "O-rings that may go back are pushed out with the thumbs, never picked."
      RENEWED = %w[replace_always replace_if_removed].freeze

      # New packings on a bad plunger are the classic come-back. Common practice, no source.
      PLUNGERS = "Wipe each plunger and look at it under a light before the seals go in: scored, chipped, cracked, or worn where the seals run, it " \
                 "wears new seals out. Then stop, and have it renewed with them."

      # @param teardown [Teardown]
      # @return [Array<Step>]
      def for(teardown)
        off = teardown.groups.map do |group|
          Step.new(phase: "open", title: title(group, teardown), text: [group.open, *checked(group)])
        end
        before(teardown) + off + work(teardown) + Closing.of(teardown).map { |moment| close(moment, teardown) } + finish(teardown)
      end

      # What is agreed, and what comes out on the way to it: the same sentences, as far as they are of what comes out.
      def work(teardown)
        agreed = teardown.areas.map do |area|
          Step.new(phase: "renew", title: area.name, text: teardown.work(area).map(&:text) + checked(area), stacks: area.stacks)
        end
        passed = teardown.on_the_way.map do |area, work|
          Step.new(phase: "renew", title: "#{area.name}, on the way", text: work.map(&:text), stacks: area.stacks)
        end
        (looked_at(teardown) + agreed + passed).reject { |step| step.text.empty? }
      end

      # Where packings are renewed and plungers are not.
      def looked_at(teardown)
        ids = teardown.areas.map(&:id)
        plungers = teardown.variant.series.areas_of(teardown.variant).find { |area| area.id == "plungers" }
        return [] unless plungers && ids.include?("packings") && !ids.include?("plungers")

        [Step.new(phase: "renew", title: "#{plungers.name}, a look first", text: [PLUNGERS])]
      end

      # Who has read it against the sheet, where that is kept.
      def checked(entry) = [Catalogue::Checked.in_words(entry.checked)].compact.map { |words| "(#{words.capitalize}.)" }

      def close(moment, teardown)
        name = moment.group ? title(moment.group, teardown) : moment.step&.name || tightened(teardown, moment)
        Step.new(phase: "close", title: name, text: moment.text, fasteners: moment.tightens)
      end

      def tightened(teardown, moment)
        again = teardown.fasteners.find { |fastener| moment.tightens.include?(Tightening::Instruction.id(fastener.id, true)) }
        again ? "#{again.name}, again" : teardown.fasteners.find { |fastener| moment.tightens.include?(fastener.id) }.name
      end

      def before(teardown)
        fasteners = teardown.fasteners
        told = [SOFT, (REVERSE if fasteners.any? { |fastener| fastener.pattern != :each }),
                (KEYED if fasteners.any? { |fastener| fastener.drive.match?(/\bhex\b/i) }),
                (RINGS if teardown.places.any? { |place| stays?(place.layer) })].compact
        [Step.new(phase: "open", title: "before you loosen", text: told)]
      end

      # @return [Boolean] whether it is a ring that may go back
      def stays?(layer) = Catalogue::Shapes.of(layer.shape).ring && !RENEWED.include?(layer.reuse)

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
