# frozen_string_literal: true

module Gimlet
  module Core
    # In which order the bolts of one face are tightened, from where they sit.
    #
    # Inner bolts come before outer ones. Within a ring the next bolt is always the one that keeps the middle of all bolts tightened so far
    # nearest to the middle of the face, and of several such the one farthest from them: the cross of a rectangular head and the star of a
    # round flange are the same rule.
    module Sequence
      # Radii nearer than this, in mm, are one ring.
      SAME_RING_MM = 0.5
      # Distances nearer than this, in mm, are the same.
      SAME_MM = 1e-6

      module_function

      # @param points [Array<Catalogue::Point>]
      # @return [Array<Catalogue::Point>] first to last
      def cross(points)
        places = points.map { |point| Complex(point.x_mm, point.y_mm) }
        centre = mean(places)
        around = points.zip(places.map { |place| place - centre })
        rings(around).reduce([]) { |done, ring| done + next_ones(ring, done) }.map(&:first)
      end

      # @param order [Array<String>] labels as the maker lists them
      # @return [Array<Catalogue::Point>]
      def listed(points, order)
        order.map { |label| points.find { |point| point.label == label.to_s } }
      end

      # @param around [Array<Array(Catalogue::Point, Complex)>] bolts with their places about the centre
      # @return [Array<Array>] from the innermost
      def rings(around)
        sorted = around.sort_by { |_, place| [place.abs, place.arg] }
        sorted.slice_when { |(_, one), (_, two)| two.abs - one.abs > SAME_RING_MM }.to_a
      end

      # @param done [Array] of earlier rings
      def next_ones(ring, done)
        left = ring.sort_by { |_, place| place.arg }
        so_far = done.map(&:last)
        Array.new(ring.size) do
          chosen = left.min_by { |_, place| [((so_far.sum + place).abs / SAME_MM).round, -nearest(place, so_far)] }
          so_far << chosen.last
          left.delete(chosen)
        end
      end

      # @return [Integer] how far the nearest of the others is, in steps of SAME_MM
      def nearest(place, others) = ((others.map { |other| (other - place).abs }.min || 0) / SAME_MM).round

      def mean(places) = places.empty? ? 0 : places.sum / places.size.to_f
    end
  end
end
