# frozen_string_literal: true

require_relative "../6_tightening/ceiling"
require_relative "../6_tightening/sequence"
require_relative "../6_tightening/kinds"
require_relative "remark"

module Gimlet::Core
  class Doctor
    # Fasteners: values that such a thread takes, passes that end at the value, lists that name every bolt once.
    class Bolts
      include Saying

      # @param series [Catalogue::Series]
      def initialize(series, _known)
        @series = series
        @variants = Catalogue::Variant.of_series(series)
      end

      # @return [Array<Remark>]
      def call = @series.fasteners.flat_map { |fastener| bolts(fastener) + passes(fastener) + single(fastener) + torques(fastener) } + each + never

      private

      def bolts(fastener) = apart(fastener) + listed(fastener) + backwards(fastener) + written(fastener) + drawn_in(fastener) + one_sided(fastener)

      def passes(fastener)
        fastener.tightenings.flat_map { |tightening| Tightening::Kinds.of(tightening).faults }.map { |text| error("fasteners.#{fastener.id}", text) }
      end

      def listed(fastener)
        return [] unless fastener.pattern == :listed

        fastener.sets.filter_map do |set|
          labels = set.points.map(&:label)
          next if (fastener.order || []).map(&:to_s).sort == labels.sort

          error("fasteners.#{fastener.id}.order", "names #{(fastener.order || []).join(', ')}, the bolts are #{labels.join(', ')}: each once.")
        end
      end

      # A face is drawn down from its middle outwards. Common practice, no source.
      def backwards(fastener)
        return [] unless fastener.pattern == :listed && fastener.order

        fastener.sets.filter_map do |set|
          first, last = fastener.order.values_at(0, -1).map { |label| set.points.find { |point| point.label == label.to_s } }
          next unless first && last && off_middle(first, set) > off_middle(last, set) + Sequence::SAME_RING_MM

          warning("fasteners.#{fastener.id}.order",
                  "begins at #{first.label}, farther out than #{last.label}, where it ends: is it the order of loosening?")
        end
      end

      def off_middle(point, set) = Math.hypot(point.x_mm - middle(set.points, :x_mm), point.y_mm - middle(set.points, :y_mm))

      # The order in which the points were written down is nobody's order of tightening.
      def written(fastener)
        return [] unless fastener.pattern == :listed && fastener.order && fastener.sets.any? do |set|
          set.points.size > 3 && set.points.map(&:label) == fastener.order.map(&:to_s)
        end

        [warning("fasteners.#{fastener.id}.order", "is the order in which the points stand: is it the sheet's?")]
      end

      # Bolts that draw a piece in lie on both sides of its middle.
      def one_sided(fastener)
        labels = (fastener.draw_in || []).map(&:to_s)
        set = fastener.sets.first
        drawn = set.points.select { |point| labels.include?(point.label) }
        return [] if drawn.size < 2

        off = %i[x_mm y_mm].map do |axis|
          (middle(drawn, axis) - middle(set.points, axis)).abs / (set.points.map(&axis).minmax.reduce(:-).abs + 1.0)
        end
        if off.max <= 0.2
          []
        else
          [warning("fasteners.#{fastener.id}.draw_in",
                   "names #{labels.join(', ')}, all on one side: two opposite bolts draw it in straight.")]
        end
      end

      def middle(points, axis) = points.sum(&axis) / points.size.to_f

      def drawn_in(fastener)
        unknown = (fastener.draw_in || []).map(&:to_s) - fastener.sets.first.points.map(&:label)
        return [] if unknown.empty?

        [error("fasteners.#{fastener.id}.draw_in", "names #{unknown.join(', ')}: it takes labels of the points.")]
      end

      # One value for one pump.
      def single(fastener)
        @variants.filter_map do |variant|
          met = fastener.tightenings.count { |tightening| Catalogue::Condition.met?(tightening.condition, variant) }
          next if met == 1

          error("fasteners.#{fastener.id}", "#{met.zero? ? 'no tightening' : "#{met} tightenings"} for #{variant.id}: give one, of kind none if " \
                                            "the sheet is silent.")
        end.first(1)
      end

      def torques(fastener)
        fastener.tightenings.select(&:torque).filter_map do |tightening|
          odd = Ceiling.odd(fastener.thread, tightening.torque, tightening.treatment)
          warning("fasteners.#{fastener.id}", odd) if odd
        end
      end

      # Where order matters, two bolts cannot be told apart in one place.
      def apart(fastener)
        return [] if fastener.pattern == :each && fastener.face.nil?

        fastener.sets.flat_map { |set| set.points.combination(2).select { |one, two| same?(one, two) } }.map do |one, two|
          error("fasteners.#{fastener.id}", "the bolts #{one.label} and #{two.label} sit in one place: give each its own x and y in mm.")
        end
      end

      def same?(one, two) = Math.hypot(one.x_mm - two.x_mm, one.y_mm - two.y_mm) < Sequence::SAME_RING_MM

      # What comes off at each position by itself must hold and disturb positions that work can be agreed for.
      def each
        @series.groups.select(&:each).flat_map do |group|
          worked = @series.areas.select { |area| opens?(area, group) }.flat_map { |area| positions(area.stacks) }
          (off(group) - worked).map do |one|
            error("groups.#{group.id}.each", "comes off at “#{one}”, where no area that opens it works.")
          end
        end
      end

      # An area that opens such a group must work where it comes off.
      def never
        @series.areas.product(@series.groups.select(&:each)).filter_map do |area, group|
          next unless opens?(area, group)

          places = off(group)
          next if places.empty? || places.intersect?(positions(area.stacks))

          error("areas.#{area.id}.opens", "works at #{positions(area.stacks).join(', ')}, but “#{group.id}” comes off at #{places.join(', ')}: " \
                                          "call the places alike, or take `each` out.")
        end
      end

      # @return [Array<String>] positions that a group holds or disturbs
      def off(group)
        held = group.fasteners.filter_map { |id| @series.fastener(id) }.flat_map(&:points).flat_map { |point| point.at || [] }
        (positions(group.disturbs.keys) + held).uniq
      end

      def opens?(area, group) = area.opens.any? { |id| id == group.id || first?(id, group.id) }

      def first?(id, wanted, seen = [])
        (@series.group(id)&.after || []).any? { |one| one == wanted || (!seen.include?(one) && first?(one, wanted, [*seen, one])) }
      end

      def positions(stacks) = stacks.filter_map { |id| @series.stack(id) }.flat_map(&:positions).uniq
    end
  end
end
