# frozen_string_literal: true

require_relative "close_plan"
require_relative "remark"

module Gimlet::Core
  class Doctor
    # Whether pieces fit past and into each other, by the sizes of their parts: nothing is put on before what must slide over it.
    class Passing
      include Saying

      # A lip is smaller than the rod it grips, a ring larger than its groove. Common practice, no source.
      GRIP_MM = 0.8

      # @param series [Catalogue::Series]
      def initialize(series, _known)
        @series = series
        @plan = ClosePlan.new(series)
      end

      # @return [Array<Remark>]
      def call = passages + hosts

      private

      def passings = @series.axes.flat_map { |axis| (axis.passed_by || []).map { |passage| [axis, passage] } }

      def passages
        passings.filter_map do |axis, passage|
          at = @plan.keys.index(passage.by) or next
          large = variants.filter_map { |variant| too_large(on_the_way(axis, passage), passage, variant, at) }.first or next
          error("close_order.#{passage.by}", large)
        end
      end

      def variants
        @variants ||= Catalogue::Variant.of_series(@series).uniq { |variant| [variant.traits.values_at(*@series.condition_keys), variant.sides] }
      end

      # What lies from the open end down to the piece that is passed over, itself included.
      def on_the_way(axis, passage)
        all = @plan.pieces(axis.stacks)
        all.take(all.index { |_, layer| layer.slot == passage.to }.to_i + 1)
      end

      # @return [String, nil] what is on the rod by then and too large to be passed over
      def too_large(pieces, passage, variant, at)
        on = pieces.select { |stack, layer| here?(layer, variant) && (@plan.place(stack, layer) || 0) < at }
        widest = on.map(&:last).select { |layer| size(layer, variant, "od_mm") }.max_by { |layer| size(layer, variant, "od_mm") } or return
        narrow = narrowest(passage, variant, at) or return
        outside, inside = size(widest, variant, "od_mm"), size(narrow, variant, "id_mm")
        return if outside <= inside + GRIP_MM

        "slides over #{widest.name} (#{outside} mm outside) with #{narrow.name} (#{inside} mm inside), which cannot pass: put it on before."
      end

      # What goes along is in its place by then.
      def narrowest(passage, variant, at)
        stacks = passage.carries.keys.map { |id| @series.stack(id) }
        carried = stacks.flat_map do |stack|
          stack.layers.select do |layer|
            passage.carries[stack.id].include?(layer.slot)
          end.map { |layer| [stack, layer] }
        end
        there = carried.select { |stack, layer| here?(layer, variant) && (@plan.place(stack, layer) || at) <= at }
        there.map(&:last).select { |layer| size(layer, variant, "id_mm") }.min_by { |layer| size(layer, variant, "id_mm") }
      end

      def here?(layer, variant) = Catalogue::Condition.met?(layer.condition, variant)

      def size(layer, variant, which)
        numbers = variant.series.parts_for(layer.slot, variant)
        spec = numbers.one? && @series.parts.find { |part| part.number == numbers.first }&.spec or return
        spec[which] || (which == "od_mm" && spec["id_mm"] && spec["section_mm"] ? spec["id_mm"] + (2 * spec["section_mm"]) : nil)
      end

      # What sits in another is no larger than that; a ring in its groove may be.
      def hosts
        @series.stacks.flat_map do |stack|
          stack.layers.select do |layer|
            layer.inside && layer.shape != "oring"
          end.filter_map { |layer| host(stack, layer, stack.layer(layer.inside)) }
        end
      end

      def host(stack, layer, host)
        pump = variants.find do |variant|
          inner, outer = size(layer, variant, "od_mm"), size(host, variant, "od_mm")
          inner && outer && inner > outer + (2 * GRIP_MM)
        end
        return unless pump

        warning("stacks.#{stack.id}.#{layer.slot}", "is larger outside than #{host.name}, in which it sits (#{pump.id}): one size is wrong.")
      end
    end
  end
end
