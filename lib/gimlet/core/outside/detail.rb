# frozen_string_literal: true

require_relative "../1_catalogue/in_hand"
require_relative "../8_plan/section_shapes"
require_relative "figures"
require_relative "mark"
require_relative "shaft_end"

module Gimlet::Core
  module Outside
    # What is seen of a pump only close by, or once it is open: one drawing each.
    module Detail
      NAMES = { "plunger_end" => "the end of a plunger", "shaft_end" => "the end of the shaft", "spring" => "a valve spring",
                "seal" => "a seal, cut" }.freeze
      SPRING_WIDE = 20
      SPRING_TURN = 6
      WIRE = 2.2
      # Of a seal that is drawn for its shape alone.
      SEAL = [0, 12, 9, 16].freeze

      module_function

      # @param id [String] one of NAMES
      # @param pump [Catalogue::Variant]
      # @param value [Object] of the trait that is asked for
      # @return [View]
      def view(id, pump, value)
        marks = case id
                when "plunger_end" then plunger_end(pump)
                when "shaft_end" then ShaftEnd.marks(pump, 0, 0)
                when "spring" then spring(value.is_a?(Integer) ? value : 4)
                else seal(value)
                end
        View.new(id: id, name: NAMES.fetch(id), marks: marks)
      end

      # White is ceramic, dark is metal; nut, slotted nut with its pin, or bolt in the middle.
      def plunger_end(pump)
        radius = (pump.trait("plunger_mm") || 20) / 2.0
        ceramic = pump.trait("plunger_material") == "ceramic"
        [Mark.new(kind: ceramic ? "ceramic" : "metal", label: pump.trait("plunger_material"), circle: [0, 0, radius]),
         *holder(pump.trait("plunger_held_by"), radius)]
      end

      def holder(held_by, radius)
        across = radius * 1.1
        case held_by
        when "nut" then [nut(across), Mark.new(kind: "bore", circle: [0, 0, radius * 0.3])]
        when "slotted nut" then [nut(across), *slots(across, radius), Mark.new(kind: "bore", circle: [0, 0, radius * 0.3]), pin(across)]
        when "bolt" then [Mark.new(kind: "holder", label: held_by, circle: [0, 0, across / 2]),
                          Mark.new(kind: "bore", outline: Figures.hexagon(0, 0, across * 0.5))]
        else []
        end
      end

      def nut(across) = Mark.new(kind: "holder", label: "nut", outline: Figures.hexagon(0, 0, across))

      def slots(across, radius)
        Figures.regular(0, 0, across * 0.46, 6).map { |x, y| Mark.new(kind: "bore", circle: [x, y, radius * 0.09]) }
      end

      def pin(across)
        Mark.new(kind: "pin", label: "split pin", outline: Figures.box(-across * 0.75, -across * 0.045, across * 1.5, across * 0.09))
      end

      # Coils from the side, as many as it has turns.
      def spring(turns)
        Array.new(turns) do |turn|
          low = turn * SPRING_TURN
          Mark.new(kind: "wire",
                   outline: [[0, low], [0, low + WIRE], [SPRING_WIDE, low + WIRE + (SPRING_TURN * 0.5)],
                             [SPRING_WIDE, low + (SPRING_TURN * 0.5)]])
        end
      end

      # Both halves of its section, the pressure from the left.
      def seal(shape)
        x, width, inner, outer = SEAL
        outlines, circles = Plan::SectionShapes.of(Catalogue::InHand::SEAL_SHAPES.key(shape), open_to: "from", x: x, width: width, inner: inner,
                                                                                              outer: outer)
        [1, -1].flat_map do |half|
          outlines.map { |outline| Mark.new(kind: "seal", outline: outline.map { |u, v| [u, v * half] }) } +
            circles.map { |u, v, radius| Mark.new(kind: "seal", circle: [u, v * half, radius]) }
        end
      end
    end
  end
end
