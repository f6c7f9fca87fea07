# frozen_string_literal: true

require_relative "../1_catalogue/condition"
require_relative "../1_catalogue/shapes"
require_relative "../value"
require_relative "section_shapes"

module Gimlet::Core
  module Plan
    # A stack cut along its axis, drawn to scale from the sizes of its parts. x runs from the stack's `from` to its `towards`, y from the
    # axis outward; everything in mm.
    #
    # A wide bore is drawn narrower. Sizes that are not on file are taken from what is usual for the shape (`guessed`), so that the order and the
    # directions still show.
    module Section
      # `pieces` in the order of the layers; `radius_mm` the largest.
      Drawing = Value.of(:length_mm, :radius_mm, :pieces)
      # One layer: `outlines` are polygons ([[x, y], ...]) and `circles` [x, y, radius] of its upper half.
      Piece = Value.of(:at, :x_mm, :width_mm, :inner_mm, :outer_mm, :outlines, :circles, :guessed)

      GAP_MM = 0.6
      # Between pieces that are drawn one by one.
      APART_MM = 4
      USUAL_OUTER = 24
      # What a long piece is shortened to, so that the rings beside it can be seen.
      LONGEST = 36
      SHORTEST = 1.4
      # Radius of the bore.
      BORE_MM = 3

      Size = Value.of(:inner, :outer, :height, :guessed)
      private_constant :Size

      module_function

      # @param stack [Catalogue::Stack]
      # @param variant [Catalogue::Variant]
      # @param snapshot [Catalogue::Snapshot]
      # @param apart [Boolean] exploded: each piece by itself, what sits in another drawn behind it
      # @return [Drawing]
      def of(stack, variant, snapshot, apart: false)
        layers = stack.layers.each_with_index.select { |layer, _| Catalogue::Condition.met?(layer.condition, variant) }
        sizes = narrowed(sizes(layers, variant, snapshot))
        layers = layers.map { |layer, at| [layer.with(inside: nil), at] } if apart
        pieces = placed(layers, sizes, apart ? APART_MM : GAP_MM)
        Drawing.new(length_mm: pieces.map do |piece|
          piece.x_mm + piece.width_mm
        end.max.round(2), radius_mm: pieces.map(&:outer_mm).max.round(2), pieces: pieces)
      end

      def sizes(layers, variant, snapshot)
        specs = layers.map do |layer, _|
          numbers = variant.series.parts_for(layer.slot, variant)
          numbers.one? ? snapshot.part(numbers.first).spec : {}
        end
        usual = specs.filter_map { |spec| spec["od_mm"] }.max || USUAL_OUTER
        layers.zip(specs).map { |(layer, _), spec| size(layer.shape, spec, usual) }
      end

      # A bore that goes through all is drawn no wider than BORE_MM, so that the rings round it are large enough to tell which way they look.
      def narrowed(sizes)
        less = [sizes.map(&:inner).min - BORE_MM, 0].max
        sizes.map { |size| size.with(inner: size.inner - less, outer: size.outer - less) }
      end

      def size(shape, spec, usual)
        section = spec["section_mm"]
        outer = spec["od_mm"] || (spec["id_mm"] && section && (spec["id_mm"] + (2 * section))) || (usual * 0.8)
        inner = Catalogue::Shapes.of(shape).solid ? 0 : spec["id_mm"] || (outer * 0.6)
        height = section || spec["height_mm"] || spec["length_mm"]
        Size.new(inner: inner / 2.0, outer: outer / 2.0, height: (height || Catalogue::Shapes.of(shape).height_mm).clamp(SHORTEST, LONGEST),
                 guessed: height.nil? || !(spec["od_mm"] || spec["id_mm"]))
      end

      def placed(layers, sizes, gap)
        hosts = layers.each_index.to_h { |place| [layers[place].first.slot, place] }
        x = 0.0
        spans = {}
        layers.each_index do |place|
          next if layers[place].first.inside

          width = [sizes[place].height, *within(layers, sizes, layers[place].first.slot)].max
          spans[place] = [x, width]
          x += width + gap
        end
        layers.each_index.map { |place| piece(place, layers, sizes, spans, hosts) }
      end

      # What sits inside needs room.
      def within(layers, sizes, slot)
        inner = layers.each_index.select { |place| layers[place].first.inside == slot }
        inner.empty? ? [] : [inner.sum { |place| sizes[place].height + GAP_MM } + GAP_MM]
      end

      def piece(place, layers, sizes, spans, hosts)
        layer, at = layers[place]
        x, width = spans[place] || span_inside(place, layers, sizes, spans, hosts)
        inner, outer = radii(place, layers, sizes, hosts)
        outlines, circles = SectionShapes.of(layer.shape, open_to: layer.opens_to, x: x, width: width, inner: inner, outer: outer)
        Piece.new(at: at, x_mm: x.round(2), width_mm: width.round(2), inner_mm: inner.round(2), outer_mm: outer.round(2), outlines: outlines,
                  circles: circles, guessed: sizes[place].guessed)
      end

      # One beside the other within the host, which may itself sit in another.
      def span_inside(place, layers, sizes, spans, hosts)
        host = hosts[layers[place].first.inside]
        start, = spans[host] || span_inside(host, layers, sizes, spans, hosts)
        before = layers.each_index.select { |other| other < place && layers[other].first.inside == layers[place].first.inside }
        [start + GAP_MM + before.sum { |other| sizes[other].height + GAP_MM }, sizes[place].height]
      end

      # A host is drawn outside of what sits in it.
      def radii(place, layers, sizes, hosts)
        layer = layers[place].first
        size = sizes[place]
        inner = layers.each_index.select { |other| layers[other].first.inside == layer.slot }
        return [size.inner, size.outer] if inner.empty? && layer.inside.nil?
        return [(size.inner + size.outer) / 2, size.outer] if inner.any?

        host = sizes[hosts[layer.inside]]
        middle = (host.inner + host.outer) / 2
        [[size.inner, middle - 1].min, middle - 0.2]
      end
    end
  end
end
