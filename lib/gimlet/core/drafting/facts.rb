# frozen_string_literal: true

require "digest"
require_relative "../1_catalogue/checked"
require_relative "../4_demand/demand"
require_relative "../6_tightening/closing"
require_relative "../6_tightening/instruction"
require_relative "../7_tools/tool_list"
require_relative "../8_plan/cautions"
require_relative "../8_plan/intervals"
require_relative "../8_plan/refitting"
require_relative "../assembly/build_up"
require_relative "../8_plan/section"
require_relative "../8_plan/steps"
require_relative "../outside/pump"

module Gimlet::Core
  module Drafting
    # All that an order of one area says about one pump, but for what it looks like (outside), as facts that can be compared one by one.
    #
    #   Facts.of(variant, "packings", snapshot)[["renewed", "PW-4220"]] # => "3 of high-pressure seal 20"
    module Facts
      # What a fact is about; those that hurt when they are wrong first. `renewed` and `fate` are what goes in and what becomes of the old piece,
      # `drawn` how it is drawn, `read` where it was read and by whom.
      KINDS = %w[torque way fate renewed serves kit caution crank order tool used step kept loose drawn read].freeze

      module_function

      # @param variant [Catalogue::Variant]
      # @param area [String]
      # @param snapshot [Catalogue::Snapshot]
      # @return [Hash{Array(String, String)=>String}] [kind, what it is about] => what is said
      def of(variant, area, snapshot)
        teardown = Teardown.of(variant, [area])
        demand = Demand.new(teardown, snapshot)
        teardown = demand.decided
        tightening = teardown.fasteners.flat_map { |fastener| Tightening::Instruct.call(fastener, variant, unit: "N·m") }
        list = Tools::ToolList.new(teardown, tightening)
        [turns(tightening, variant.series), pieces(demand), goods(demand, snapshot), bench(list), work(teardown, snapshot, demand.fates),
         stacks(demand, variant, snapshot)].reduce(:merge)
      end

      # What it looks like, whatever is done to it.
      # @return [Hash{Array(String, String)=>String}]
      def outside(variant) = { %w[drawn outside] => "from outside, drawing #{name(Outside::Pump.new(variant).views)}" }

      def turns(tightening, series)
        tightening.map do |one|
          face = series.face(one.fastener.face)
          { ["torque", one.id] => value(one), ["order", one.id] => bolts(one), ["drawn", one.id] => face && "#{face.name}, drawing #{name(face)}",
            ["read", one.id] => [one.tightening.source, Catalogue::Checked.in_words(one.tightening.checked)].compact.join(", ") }.compact
        end.reduce({}, :merge)
      end

      def value(one)
        tolerance = one.tightening.tolerance&.then { |off| "± #{Tightening::Words.torque(off)}" }
        [one.text, one.tightening.treatment, *one.rounds.map(&:text), tolerance].compact.join("; ")
      end

      def bolts(one)
        labels = one.sequences.map { |points| points.map(&:label).join(", ") }
        [one.name, one.fastener.drive, *labels, *one.fastener.points.map { |point| point.to_a.join(" ") }].join("; ")
      end

      def pieces(demand)
        fates = demand.fates.group_by { |fate| [fate.place.stack.id, fate.place.layer.slot] }
        told = fates.to_h do |(stack, slot), same|
          [["fate", "#{stack}.#{slot}"], same.map { |fate| "#{Fates::KINDS.fetch(fate.kind)} at #{fate.place.position}" }.join(", ")]
        end
        told.merge(kept(demand))
      end

      def kept(demand)
        kept = demand.keep.to_h { |piece| [["kept", piece.slot], [piece.name, piece.part, piece.look, piece.positions].flatten.join("; ")] }
        held = demand.held.to_h { |part| [["kept", part.part.number], "#{part.quantity} of #{part.part.name} may be wanted: #{part.why}"] }
        loose = demand.count_out.to_h { |one| [["loose", one.position], one.pieces.join(", ")] }
        [kept, held, loose].reduce(:merge)
      end

      def goods(demand, snapshot)
        renewed = demand.lines.to_h { |line| [["renewed", line.part.number], "#{line.quantity} of #{line.part.name}: #{line.reasons.join('; ')}"] }
        missing = demand.missing.to_h { |lack| [["renewed", lack.name], "#{lack.quantity}, no number on file"] }
        serves = demand.lines.to_h { |line| [["serves", line.part.number], serving(line.part, snapshot)] }
        [renewed, missing, serves, kits(demand, snapshot)].reduce(:merge)
      end

      def serving(part, snapshot)
        equal = snapshot.serving(part.number).map { |number| "#{number} #{snapshot.part(number)&.name}" }
        (equal + part.stand_ins.map { |one| "#{one.part} for a while: #{one.note}" }).join(", ")
      end

      # Those that hold anything of it, also for other pumps: these are passed over, and that is said.
      def kits(demand, snapshot)
        slots = demand.fates.select { |fate| fate.kind == :replace }.map { |fate| fate.place.layer.slot }
        wanted = demand.lines.flat_map { |line| snapshot.serving(line.part.number) }
        wanted += demand.variant.series.fits.select { |fit| slots.include?(fit.slot) }.map(&:part)
        sold = snapshot.kits.select { |kit| kit.contents.keys.intersect?(wanted) }
        sold.to_h { |kit| [["kit", kit.number], kit(kit, demand.variant, snapshot)] }
      end

      def kit(kit, variant, snapshot)
        pieces = kit.contents.map { |number, quantity| "#{quantity} × #{number} #{snapshot.part(number)&.name}" }
        pumps = kit.condition && Catalogue::Condition.in_words(kit.condition, variant.series)
        other = "not for this pump" unless Catalogue::Condition.met?(kit.condition, variant)
        [kit.name, *pumps, *other, *pieces].join(", ")
      end

      def bench(list)
        tools = list.tools.to_h { |tool| [["tool", tool.name], [tool.number, tool.kind, tool.why, tool.substitute].flatten.compact.join("; ")] }
        tools.merge(list.consumables.to_h { |one| [["used", one.name], [one.amount, one.unit, one.number, one.packs].compact.join(" ")] })
      end

      def work(teardown, snapshot, fates)
        refit = Plan::Refitting.of(teardown)
        crank = refit && [refit.text, *refit.plungers.map { |cylinder, out| "#{cylinder}: #{out.round(1)} mm" }].join("; ")
        said = { %w[crank refit] => crank, %w[step areas] => areas(teardown) }
        steps = Plan::Steps.for(teardown).map { |step| [step.phase, step.title, *step.text, *step.fasteners, *step.stacks].join("; ") }
        cautions = Plan::Cautions.for(teardown, snapshot)
        said.compact.merge(%w[step work] => [*steps, *Plan::Intervals.passed(teardown, fates)].join("\n"),
                           **cautions.to_h { |one| [["caution", one.text], "#{one.text} (#{[one.before, one.at].compact.join(', ')})"] })
      end

      # What goes with the agreed work, and what else this pump can have.
      def areas(teardown)
        variant = teardown.variant
        known = variant.series.areas_of(variant).map { |area| "#{area.name} at #{Scope.positions(variant, area).join(', ')}" }
        [teardown.added, teardown.not_on_file, *known].join("; ")
      end

      def stacks(demand, variant, snapshot)
        demand.fates.map { |fate| fate.place.stack }.uniq(&:id).map { |stack| stack(stack, variant, snapshot) }.reduce({}, :merge)
      end

      def stack(stack, variant, snapshot)
        ways = stack.layers_of(variant).each_with_index.to_h { |layer, at| [["way", "#{stack.id}.#{layer.slot}.#{at}"], way(stack, layer)] }
        kept = stack.layers_of(variant).to_h { |layer| [["kept", "#{stack.id}.#{layer.slot}"], [layer.name, *layer.checks.map(&:to_s)].join("; ")] }
        drawn = Plan::Section.of(stack, variant, snapshot)
        read = { ["read", stack.id] => Catalogue::Checked.in_words(stack.checked) }.compact
        built = Assembly::BuildUp.order(variant.series, stack, stack.layers_of(variant))
        drawing = name([drawn.pieces.map { |piece| piece.to_h.except(:at) }, built])
        [ways, kept, read, { ["drawn", stack.id] => "#{stack.name} at #{stack.positions.join(', ')}, drawing #{drawing}" }].reduce(:merge)
      end

      def name(drawing) = Digest::SHA256.hexdigest(drawing.inspect)[0, 8]

      def way(stack, layer)
        [layer.opens_to && "opens to #{stack[layer.opens_to]}", *Catalogue::LayerFields.in_words(layer), layer.inside && "in the #{layer.inside}",
         "between #{stack.from} and #{stack.towards}", stack.colour, stack.spring, layer.shape].compact.join("; ")
      end
    end
  end
end
