# frozen_string_literal: true

require_relative "../value"

module Gimlet
  module Core
    # How a series is built, told as positions: every quantity in an order is counted from these.
    module Catalogue
      # One ring, spring or seat of a stack. `slot` is what `fits` resolves to a part number.
      # `reuse` is one of REUSE_RULES; `count_out` marks a piece that can stay behind in its bore.
      # `condition` names the pumps that have it.
      Layer = Value.of(:slot, :name, :reuse, :facing, :shape, :lube, :count_out, :condition)

      # What sits in each of `positions` (["cylinder 1", ...]), layers listed from `from` to `towards`.
      Stack = Value.of(:id, :name, :positions, :from, :towards, :colour, :spring, :layers) do
        def layer(slot) = layers.find { |layer| layer.slot == slot }
      end

      # A piece of the pump that comes off as one, opening what is behind it.
      # `disturbs` is { stack id => [slots] }; `after` names the groups that must be off first.
      Group = Value.of(:id, :name, :after, :fasteners, :disturbs, :open, :close, :tools, :consumables, :mass_kg)

      # A place of work that can be agreed with the customer; `work` is a list of sentences.
      Area = Value.of(:id, :stacks, :opens, :work, :tools, :consumables)

      # A bolt, cap or nut and where it sits. `pattern` is :inner_to_outer, :star, :listed or :each.
      # `face` is the drawing that the points lie on.
      Fastener = Value.of(:id, :name, :face, :thread, :drive, :points, :pattern, :order, :tightenings)

      # Where a fastener sits on the face, in mm from the face's lower left corner.
      Point = Value.of(:label, :x_mm, :y_mm)

      # A side of the pump to draw, sizes in mm; `features` are [kind, label, x, y, diameter].
      Face = Value.of(:id, :name, :width_mm, :height_mm, :features)

      # `when` is "always" or a list of group and area ids.
      Caution = Value.of(:text, :when)

      # Areas that are renewed together, and why.
      Together = Value.of(:areas, :reason)

      # `kind` is "made" (for this series), "common" or "drive".
      Tool = Value.of(:id, :number, :name, :kind, :condition)

      Consumable = Value.of(:id, :name, :unit)

      # `per` is "fastener", "position" or "pump".
      Usage = Value.of(:consumable, :amount, :per)

      # What each reuse rule means to the person who rebuilds that place.
      REUSE_RULES = {
        "replace_always" => "new",
        "replace_if_removed" => "new",
        "inspect" => "look over",
        "keep" => "keep"
      }.freeze

      # What can be agreed, in the order it is done on the bench.
      WORK_AREAS = {
        "inlet_valves" => "inlet valves", "discharge_valves" => "discharge valves", "packings" => "packings",
        "plungers" => "plungers", "oil_seals" => "oil seals", "unloader" => "unloader"
      }.freeze
    end
  end
end
