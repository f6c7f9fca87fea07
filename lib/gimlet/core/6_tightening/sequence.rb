# frozen_string_literal: true

require_relative "../../core"

module Gimlet::Core
  # In which order the bolts of one face are tightened, from where they sit.
  #
  # Inner bolts come before outer ones. Within a ring the next bolt is always the one that keeps the middle of all bolts tightened so far
  # nearest to the middle of the face; of several such the one that spreads them most evenly about it, and of those the one farthest from the
  # last: the cross of a rectangular head and the star of a round flange are the same rule.
  module Sequence
    # Radii nearer than this, in mm, are one ring.
    SAME_RING_MM = 0.5
    # Shares nearer than this are the same.
    SAME = 1e-6
    # Bolts spread evenly about a middle have no mean of their places on a unit circle, nor of these powers of them: crosses, then squares.
    HARMONICS = [1, 2, 4].freeze
    # The mean of the inner bolts may lie so far out, as a share of how far they do; else they are neighbours on one side.
    ONE_SIDED = 0.5

    module_function

    # @param points [Array<Catalogue::Point>]
    # @return [Array<Catalogue::Point>] first to last
    def cross(points)
      places = points.map { |point| Complex(point.x_mm, point.y_mm) }
      [mean(places), middle(places)].lazy.map { |centre| rings(points, places, centre) }.find { |rings| !one_sided?(rings) }
                                    .then { |rings| rings || rings(points, places, mean(places)) }
                                    .reduce([]) { |done, ring| done + next_ones(ring, done) }.map(&:first)
    end

    # @param order [Array<String>] labels as the maker lists them
    # @return [Array<Catalogue::Point>]
    def listed(points, order)
      order.map { |label| points.find { |point| point.label == label.to_s } }
    end

    # @return [Array<Array>] bolts with their places about the centre, from the innermost
    def rings(points, places, centre)
      around = points.zip(places.map { |place| place - centre })
      sorted = around.sort_by { |_, place| [place.abs, place.arg] }
      sorted.slice_when { |(_, one), (_, two)| two.abs - one.abs > SAME_RING_MM }.to_a
    end

    # Three bolts over four: the two in the middle of the four are nearest to where most bolts are, and neighbours.
    def one_sided?(rings)
      first = rings.first.to_a.size > 1 ? rings.first : rings.first(2).flatten(1)
      first.size > 1 && mean(first.map(&:last)).abs > first.map { |_, place| place.abs }.max * ONE_SIDED
    end

    # @param done [Array] of earlier rings
    def next_ones(ring, done)
      left = ring.sort_by { |_, place| place.arg }
      so_far = done.map(&:last)
      Array.new(ring.size) do
        chosen = left.min_by { |_, place| [*unevenness([*so_far, place]), -apart(place, so_far.last)] }
        so_far << chosen.last
        left.delete(chosen)
      end
    end

    # @return [Array<Integer>] how far from even, in steps of SAME
    def unevenness(places)
      most = places.map(&:abs).max
      return HARMONICS.map { 0 } if most.zero?

      HARMONICS.map { |power| (places.sum { |place| (place / most)**power }.abs / SAME).round }
    end

    # @return [Integer] in steps of SAME
    def apart(place, last) = last ? ((place - last).abs / SAME).round : 0

    def mean(places) = places.empty? ? 0 : places.sum / places.size.to_f

    # @return [Complex] of the box around them
    def middle(places)
      Complex(*%i[real imaginary].map { |side| places.map(&side).minmax.sum / 2.0 })
    end
  end
end
