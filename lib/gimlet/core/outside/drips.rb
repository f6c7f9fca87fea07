# frozen_string_literal: true

require_relative "../value"
require_relative "pump"

module Gimlet::Core
  module Outside
    # Where a pump may drip, on its side view: `say` is what a caller would say of it, and is heard like any line.
    #
    #   Drips.of(variant).map(&:id) # => ["head_joint", "gap", "cap", "weep_hole", "shaft", ...]
    module Drips
      Drip = Value.of(:id, :name, :say, :x_mm, :y_mm)

      # In the order of the list beside the picture. Each is there where the side view has what it names.
      PLACES = {
        "head_joint" => ["at the head's joint", "water leaks at the head joint"],
        "gap" => ["between head and crankcase", "water is leaking between the head and the crankcase"],
        "cap" => ["at a valve cap", "water leaks at a valve cap"], "weep_hole" => ["from the weep hole", "water from the weep hole"],
        "inlet" => ["at the inlet", "water leaks at the inlet"], "outlet" => ["at the outlet", "water leaks at the outlet"],
        "shaft" => ["at the shaft", "oil leaks at the shaft"], "sight_glass" => ["at the sight glass", "oil leaks at the sight glass"],
        "oil_cover" => ["at the oil cover", "oil leaks at the rear cover"], "below" => ["underneath", "water drips underneath"]
      }.freeze

      module_function

      # @param pump [Catalogue::Variant]
      # @return [Array(View, Array<Drip>)] the side view, and the places on it
      def of(pump)
        side = Pump.new(pump).view("side")
        points = PLACES.keys.to_h { |id| [id, point(id, side)] }
        [side, points.compact.map { |id, (x, y)| drip(id, x, y) }]
      end

      def drip(id, x, y)
        name, say = PLACES.fetch(id)
        Drip.new(id: id, name: name, say: say, x_mm: x, y_mm: y)
      end

      def point(id, side)
        head, body = side.of("head").first, side.of("body").first
        case id
        when "head_joint" then joint(head, body)&.then { |x| [x, head.corners.map(&:last).minmax.sum * 0.62] }
        when "gap" then joint(head, body)&.then { |x| [x, head.corners.map(&:last).min] }
        when "below" then (body || head).then { |mark| [mark.centre[0], mark.corners.map(&:last).min] }
        else side.of(id).first&.centre
        end
      end

      # The line along which head and crankcase part.
      def joint(head, body)
        return unless head && body

        ends = [head, body].map { |mark| mark.corners.map(&:first).minmax }
        ends.first.find { |x| ends.last.any? { |other| (x - other).abs < 0.01 } }
      end
    end
  end
end
