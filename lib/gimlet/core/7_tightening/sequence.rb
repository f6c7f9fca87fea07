# frozen_string_literal: true

module Gimlet
  module Core
    # In which order the bolts of one face are tightened, from where they sit.
    #
    # Inner bolts come before outer ones. Within a ring each bolt is followed by the one most nearly opposite, and
    # the next pair starts as far as possible from those already done: the cross of a rectangular head and the star
    # of a round flange are the same rule.
    module Sequence
      # Radii nearer than this, in mm, are one ring.
      SAME_RING_MM = 0.5

      module_function

      # @param points [Array<Catalogue::Point>]
      # @return [Array<Catalogue::Point>] first to last
      def cross(points)
        centre = [mean(points.map(&:x_mm)), mean(points.map(&:y_mm))]
        rings(points, centre).flat_map { |ring| around(ring, centre) }
      end

      # @param order [Array<String>] labels as the maker lists them
      # @return [Array<Catalogue::Point>]
      def listed(points, order)
        order.map { |label| points.find { |point| point.label == label.to_s } }
      end

      def rings(points, centre)
        sorted = points.sort_by { |point| [radius(point, centre), angle(point, centre)] }
        sorted.slice_when { |one, two| radius(two, centre) - radius(one, centre) > SAME_RING_MM }.to_a
      end

      def around(ring, centre)
        left = ring.sort_by { |point| angle(point, centre) }
        done = [left.shift].compact
        until left.empty?
          chosen = done.size.odd? ? opposite(left, done.last, centre) : farthest(left, done, centre)
          done << left.delete(chosen)
        end
        done
      end

      def opposite(left, last, centre)
        left.max_by { |point| apart(point, last, centre).round(6) }
      end

      def farthest(left, done, centre)
        left.max_by { |point| done.map { |other| apart(point, other, centre) }.min.round(6) }
      end

      def apart(one, two, centre)
        difference = (angle(one, centre) - angle(two, centre)).abs % (2 * Math::PI)
        [difference, (2 * Math::PI) - difference].min
      end

      def angle(point, centre) = Math.atan2(point.y_mm - centre[1], point.x_mm - centre[0])
      def radius(point, centre) = Math.hypot(point.x_mm - centre[0], point.y_mm - centre[1])
      def mean(values) = values.empty? ? 0 : values.sum / values.size.to_f
    end
  end
end
