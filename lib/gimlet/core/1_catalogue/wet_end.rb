# frozen_string_literal: true

require_relative "../value"
require_relative "checked"
require_relative "condition"
require_relative "layer"
require_relative "stack_ends"

module Gimlet::Core
  # How a series is built, told as positions: every quantity in an order is counted from these.
  module Catalogue
    # What sits in each of `positions` (["cylinder 1", ...]), layers listed from `from` to `towards`. `checked` are of Checked.
    Stack = Value.of(:id, :name, :positions, :from, :towards, :colour, :spring, :layers, :checked, :condition) do
      include StackEnds

      def layer(slot) = layers.find { |layer| layer.slot == slot }

      # @return [Array<Layer>] that this pump has
      def layers_of(variant) = layers.select { |layer| Condition.met?(layer.condition, variant) }
    end

    # A piece of the pump that comes off as one, opening what is behind it. One that comes off at `each` position by itself (a cap, a
    # plunger nut) opens only where work is agreed. `disturbs` is { stack id => [slots] }; `after` names the groups that must be off first, `on`
    # those that must be back before this one is tightened, because it is tightened on the pump.
    Group = Value.of(:id, :name, :after, :on, :each, :fasteners, :disturbs, :open, :close, :tools, :consumables, :mass_kg, :checked, :condition)

    # A step of closing, in the order in which it is done: a `group` that goes back, a fastener to `tighten` apart from its group (again,
    # or only then), or a step with an `id` of its own between them. Such a step puts in pieces that no group does: `puts` is
    # { stack id => [slots] }; it is done `when` the work touches one of these groups or areas, as for cautions. `after` are keys of
    # the steps that must be done first.
    CloseStep = Value.of(:group, :tighten, :id, :name, :text, :puts, :after, :when, :tools, :consumables, :condition) do
      # @return [String] what others call it by
      def key = group || id || "#{tighten}-tight"
    end

    # Stacks that lie on one line, from its open end inward: what lies deeper goes in, or on, first. `stacks` are [stack id, the end of it
    # that looks to the opening]. What slides over them: Passage.
    Axis = Value.of(:stacks, :passed_by)

    # The group or step `by` slides over an axis with the pieces that it `carries` ({ stack id => [slots] }), down to and over the piece `to`.
    Passage = Value.of(:by, :carries, :to)

    # A place of work that can be agreed with the customer; `work` is a list of Work. `called` are words for it.
    Area = Value.of(:id, :name, :called, :stacks, :opens, :work, :tools, :consumables, :checked, :condition)

    # One thing that is done. `of` are slots: it is done, with its `tools`, whenever one of these comes out on the way to other work; nil where
    # it is done only when the area is agreed. `renewing` are slots: it is done, with its tools, only where one of these is renewed.
    Work = Value.of(:text, :of, :renewing, :tools, :condition)

    # What is done when everything is closed again. `figure` is computed from a trait: { "trait", "times", "unit" }, shown in the text in
    # place of {figure}. `later` marks what comes after running in. `when` as for cautions.
    Finish = Value.of(:text, :figure, :later, :when, :renewing, :condition)

    # How the crank stands when the manifold goes back on: `school` of Refit::Position::SCHOOLS, `when` as for cautions.
    Refitting = Value.of(:school, :when, :condition)

    # Bolts, caps or nuts of one kind. Each of its `sets` is tightened by itself. `pattern` is :inner_to_outer, :star, :listed or :each.
    # `face` is the drawing that the points lie on. `draw_in` are labels of the bolts that draw a heavy piece in first, by turns.
    Fastener = Value.of(:id, :name, :face, :thread, :drive, :sets, :pattern, :order, :draw_in, :tightenings) do
      def points = sets.flat_map(&:points)

      # @param pumps [Array<Variant>]
      # @return [Boolean] whether one line of the sheet speaks of all of them
      def one_line?(pumps) = pumps.map { |pump| tightenings.find { |row| Condition.met?(row.condition, pump) } }.uniq.one?

      # @param positions [Array<String>, nil] nil for all of it
      # @return [Fastener] without what holds none of these positions
      def holding(positions)
        return self if positions.nil?

        kept = sets.map { |set| set.with(points: set.points.select { |point| point.at.nil? || point.at.intersect?(positions) }) }
        with(sets: kept.reject { |set| set.points.empty? })
      end
    end

    # Bolts that hold one piece.
    BoltSet = Value.of(:name, :points)

    # Where a fastener sits on the face, in mm from the face's lower left corner; `at` are the positions that it holds, nil for the whole.
    Point = Value.of(:label, :x_mm, :y_mm, :at)

    # A side of the pump to draw, sizes in mm; `features` are [kind, label, x, y, diameter], and how high it stands where that is known. `sides` are
    # those of the pump that look so.
    Face = Value.of(:id, :name, :sides, :width_mm, :height_mm, :features)

    # `when` is "always" or a list of group and area ids; `renewing` as for Work; `before` the section of the card that it is due in, nil where it
    # goes with what `when` names.
    Caution = Value.of(:text, :when, :before, :renewing, :condition)

    # Areas that are renewed together, and why.
    Together = Value.of(:areas, :reason, :condition)

    # `kind` is "made" (for this series), "common" or "drive". `substitute` is what the trade makes do with.
    Tool = Value.of(:id, :number, :name, :kind, :substitute, :condition)

    # `pack` is how much, in `unit`, the pack sold as `number` holds.
    Consumable = Value.of(:id, :name, :unit, :number, :pack)

    # `per` is "fastener", "position" or "pump"; on a layer "piece" or "contact_face".
    Usage = Value.of(:consumable, :amount, :per)

    # Work that most pumps have, in the order it is done on the bench. A series may name more of its own.
    WORK_AREAS = {
      "inlet_valves" => "inlet valves", "discharge_valves" => "discharge valves", "packings" => "packings",
      "plungers" => "plungers", "oil_seals" => "oil seals", "unloader" => "unloader"
    }.freeze
  end
end
