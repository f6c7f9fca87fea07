# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Catalogue
    # What a piece of a stack can be: one table for the catalogue format, the doctor, the drawing, the steps and what is measured of old parts.
    #
    #   Shapes.of("u_seal").lips      # => true
    #   Shapes.of("u_seal").in_hand   # => "seal"
    module Shapes
      # `height_mm` where none is on file; `solid` reaches to the axis; `directed` looks different from its two ends: as `untold` where it is not
      # known which way it looks; `lips` that must look to one side; `in_hand` the slot of InHand whose traits are measured of it;
      # `ring` is rubber that is pushed out with the thumbs.
      #
      # `outlines` are what it looks like when it is cut, in a box: u from 0 at the side that the piece opens to, to 1; v from 0 at the inside to
      # 1 at the outside. Shapes of our own, to be read in black and white. `drawn` is one that is round instead.
      Shape = Value.of(:height_mm, :solid, :directed, :lips, :in_hand, :ring, :outlines, :untold, :drawn)

      BOX = [[0, 0], [0, 1], [1, 1], [1, 0]].freeze
      # A step, a hollow and a bulge at the side that the piece opens to.
      STEPPED = [[[0, 0], [0, 0.55], [0.45, 0.55], [0.45, 1], [1, 1], [1, 0]]].freeze
      HOLLOW = [[[0, 0], [0.4, 0.5], [0, 1], [1, 1], [1, 0]]].freeze
      BULGED = [[[0.45, 0], [0, 0.5], [0.45, 1], [1, 1], [1, 0]]].freeze
      # Heights: common practice, no source.
      USUAL_HEIGHT_MM = 5

      TABLE = {
        "backup" => { height_mm: 1.5, directed: true, outlines: HOLLOW },
        "ball" => { height_mm: 6, solid: true, drawn: :ball },
        "bearing" => { height_mm: 14 },
        "bolt" => { height_mm: 14, solid: true, outlines: [[[0, 0], [0, 1], [0.4, 1], [0.4, 0.45], [1, 0.45], [1, 0]]] },
        "cage" => { height_mm: 12, directed: true, outlines: [[[0, 0.82], [0, 1], [1, 1], [1, 0.3], [0.86, 0.3], [0.86, 0.82]]] },
        "case" => { height_mm: 16, directed: true, outlines: STEPPED },
        "clip" => { height_mm: 1.2 },
        "cup" => { directed: true, lips: true, in_hand: "seal", outlines: [[[0, 0.7], [0, 1], [1, 1], [1, 0], [0.66, 0], [0.66, 0.7]]] },
        # A washer that is hollow on one side: conical, or a flinger with its cup.
        "dished" => { height_mm: 3, directed: true, outlines: [[[0, 1], [0.45, 0], [1, 0], [0.55, 1]]] },
        "gasket" => { height_mm: 1.5, directed: true, outlines: HOLLOW },
        "guide" => { height_mm: 8, directed: true, outlines: BULGED },
        "lip_seal" => { directed: true, lips: true, in_hand: "seal",
                        outlines: [[[0, 0.82], [0, 1], [1, 1], [1, 0.2], [0.84, 0.2], [0.84, 0.82]],
                                   [[0.1, 0], [0.2, 0.4], [0.84, 0.34], [0.84, 0.2], [0.36, 0.22]]] },
        # Slots for a split pin at the side that it opens to.
        "nut" => { height_mm: 8, solid: true, directed: true,
                   outlines: [[[0, 0], [0, 0.3], [0.45, 0.3], [0.45, 0.75], [0, 0.75], [0, 1], [1, 1], [1, 0]]] },
        "oring" => { height_mm: 2, ring: true, in_hand: "oring", drawn: :wire },
        "pin" => { height_mm: 3, solid: true },
        # Pointed, or flanged where it is alike from both ends.
        "piston" => { height_mm: 20, solid: true, directed: true,
                      outlines: [[[0, 0], [0, 0.2], [0.4, 0.6], [0.4, 1], [0.75, 1], [0.75, 0.6], [1, 0.6], [1, 0]]],
                      untold: [[[0, 0], [0, 0.6], [0.3, 0.6], [0.3, 1], [0.7, 1], [0.7, 0.6], [1, 0.6], [1, 0]]] },
        # Seats with its flat.
        "plate" => { solid: true, directed: true, outlines: [[[0, 0], [0, 1], [0.4, 1], [1, 0.4], [1, 0]]] },
        "plug" => { height_mm: 14, solid: true, outlines: [[[0, 0], [0, 0.6], [0.6, 0.6], [0.6, 1], [1, 1], [1, 0]]] },
        # Bored at the side that it opens to.
        "plunger" => { height_mm: 40, solid: true, directed: true, outlines: [[[0.35, 0], [0.35, 0.5], [0, 0.5], [0, 1], [1, 1], [1, 0]]] },
        "poppet" => { solid: true, directed: true, in_hand: "valve", outlines: [[[0, 0], [0, 1], [0.3, 1], [0.55, 0.3], [1, 0.24], [1, 0]]] },
        "retainer" => { height_mm: 12, directed: true, outlines: STEPPED },
        "ring" => { directed: true, outlines: HOLLOW },
        "seat" => { directed: true, in_hand: "valve", outlines: [[[0, 0.5], [0, 1], [1, 1], [1, 0], [0.5, 0]]] },
        "sleeve" => { height_mm: 24 },
        "spacer" => { directed: true, outlines: STEPPED },
        "spring" => { height_mm: 12, in_hand: "spring", drawn: :wires },
        "u_seal" => { directed: true, lips: true, in_hand: "seal",
                      outlines: [[[0, 0], [0, 0.26], [0.6, 0.5], [0, 0.74], [0, 1], [1, 1], [1, 0]]] },
        "v_ring" => { directed: true, lips: true, in_hand: "seal", outlines: [[[0, 0], [0.42, 0.5], [0, 1], [0.58, 1], [1, 0.5], [0.58, 0]]] },
        "valve" => { height_mm: 20, solid: true, directed: true, in_hand: "valve",
                     outlines: [[[1, 0.8], [1, 1], [0, 1], [0, 0.45], [0.2, 0.45], [0.2, 0.8]], [[0.45, 0], [0.45, 0.7], [0.3, 0.7], [0.3, 0]],
                                [[0.9, 0], [0.9, 0.2], [0.45, 0.2], [0.45, 0]]] },
        "washer" => { height_mm: 1.5 }
      }.transform_values { |row| Ractor.make_shareable(Shape.new(height_mm: USUAL_HEIGHT_MM, outlines: [BOX], untold: [BOX], **row)) }.freeze
      UNTOLD = TABLE.fetch("ring")

      module_function

      # @param id [String, nil]
      # @return [Shape] a plain ring where a layer does not say
      def of(id) = id ? TABLE.fetch(id) : UNTOLD

      # @return [Array<String>] ids
      def all = TABLE.keys

      # @return [Array<String>] ids of the shapes that are measured as this slot
      def in_hand(slot) = TABLE.filter_map { |id, shape| id if shape.in_hand == slot }
    end
  end
end
