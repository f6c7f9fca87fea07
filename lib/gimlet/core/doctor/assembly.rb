# frozen_string_literal: true

require_relative "../6_tightening/closing"
require_relative "facing"
require_relative "remark"

module Gimlet
  module Core
    class Doctor
      # Whether a pump can be put together in the order that is written: what lies deeper goes in first, nothing is put on before what must slide
      # over it, and whatever is loose is tight at the end.
      class Assembly
        include Saying

        # A lip is smaller than the rod it grips, a ring larger than its groove. Common practice, no source.
        GRIP_MM = 0.8

        # @param series [Catalogue::Series]
        def initialize(series, _known)
          @series = series
          @order = order
          @keys = @order.map(&:key)
        end

        # @return [Array<Remark>]
        def call = complete + before + depths + passages + hosts

        private

        # Of everything; without an order of its own the reverse of coming off.
        def order
          return @series.close_order unless @series.close_order.empty?

          opened = @series.areas.flat_map(&:opens).flat_map { |id| with_first(id) }.uniq
          opened.reverse.map { |id| Catalogue::CloseStep.new(group: id, after: [], puts: {}) }
        end

        def with_first(id) = @series.group(id).after.flat_map { |first| with_first(first) } + [id]

        # Each group once, each fastener that was left slack tight again, after its group.
        def complete
          return [] if @series.close_order.empty?

          groups = @series.groups.map(&:id)
          found = groups.reject { |id| @keys.count(id) == 1 }.map do |id|
            error("close_order", "#{@keys.count(id).zero? ? 'leaves out' : 'closes twice'} the group “#{id}”: every group goes back once.")
          end
          found + untold + slack.map do |id|
            error("close_order", "leaves #{@series.fastener(id).name} slack: say at which moment they are tight again (tighten: #{id}).")
          end
        end

        # "Back, and later a quarter on" leaves a nut slack: what is tightened again is told to be tight first.
        def untold
          again = @order.select { |step| step.tighten && two_moments.include?(step.tighten) && !step.text.to_s.match?(/\btight again\b/) }
          again.map do |step|
            error("close_order.#{step.key}", "does not say that #{@series.fastener(step.tighten).name} are tight again before the part turn: say so.")
          end
        end

        def slack = two_moments - @order.filter_map(&:tighten)

        def two_moments
          @series.fasteners.select { |fastener| fastener.tightenings.any? { |tightening| Tightening::Kinds.of(tightening).later } }.map(&:id)
        end

        # What must be done first stands first.
        def before
          @order.each_with_index.flat_map do |step, at|
            due = needs(step)
            due.reject { |key| @keys.first(at).include?(key) || !@keys.include?(key) }.map do |key|
              error("close_order.#{step.key}", "stands before “#{key}”, which must be done first: change their places.")
            end
          end
        end

        def needs(step)
          group = step.group && @series.group(step.group)
          [*step.after, *(group ? group.on + behind(group) : []), *(step.tighten ? holding(step.tighten) : [])].uniq
        end

        # Groups that came off after this one go back before it, unless they need it back, or could not pass it.
        def behind(group)
          later = @series.groups.select { |other| with_first(other.id)[0...-1].include?(group.id) }
          later.reject { |other| needed(other).include?(group.id) || blocked?(group, other) }.map(&:id)
        end

        # @return [Array<String>] what a group needs back, directly or through a step that it needs
        def needed(group)
          keys = group.on
          keys + keys.flat_map { |key| @series.close_order.find { |step| step.key == key }&.after || [] }
        end

        def holding(fastener) = @series.groups.select { |group| group.fasteners.include?(fastener) }.map(&:id)

        # Whether a group could not slide over what another puts on.
        def blocked?(group, other)
          passings.any? do |axis, passage|
            passage.by == group.id && variants.any? do |variant|
              pieces = on_the_way(axis, passage).select { |stack, layer| put(stack, layer.slot) == other.id }
              too_large(pieces, passage, variant, Float::INFINITY)
            end
          end
        end

        def passings = @series.axes.flat_map { |axis| (axis.passed_by || []).map { |passage| [axis, passage] } }

        # When a piece is put in: the step or group that says so; nil where it goes in with the work on its area.
        def put(stack, slot)
          step = @order.find { |one| one.puts.fetch(stack.id, []).include?(slot) } and return step.key
          @series.groups.find { |group| group.disturbs.fetch(stack.id, []).include?(slot) && @keys.include?(group.id) }&.id
        end

        def place(stack, layer) = put(stack, layer.slot)&.then { |key| @keys.index(key) }

        # Along each axis what lies deeper goes in first.
        def depths
          axes.flat_map do |pieces|
            timed = pieces.reject { |_, layer| layer.inside }.filter_map { |stack, layer| (at = place(stack, layer)) && [stack, layer, at] }
            timed.each_cons(2).filter_map do |(_, outer, early), (_stack, inner, late)|
              next unless late > early && outer.condition.nil? && inner.condition.nil?

              error("close_order.#{@keys[early]}", "puts in #{outer.name} before #{inner.name} (#{@keys[late]}), which lies deeper: it " \
                                                   "cannot go in any more.")
            end
          end
        end

        # @return [Array<Array<Array(Catalogue::Stack, Catalogue::Layer)>>] pieces of each axis from its open end inward
        def axes
          own = @series.axes.flat_map { |axis| axis.stacks.map(&:first) }
          alone = (@series.stacks.map(&:id) - own).filter_map { |id| Facing.inner(@series.stack(id))&.then { |inner| [[id, Facing::OTHER[inner]]] } }
          (@series.axes.map(&:stacks) + alone).map { |stacks| pieces(stacks) }
        end

        def pieces(stacks)
          stacks.flat_map do |id, open|
            stack = @series.stack(id)
            (open == "from" ? stack.layers : stack.layers.reverse).map { |layer| [stack, layer] }
          end
        end

        def passages
          passings.filter_map do |axis, passage|
            at = @keys.index(passage.by) or next
            large = variants.filter_map { |variant| too_large(on_the_way(axis, passage), passage, variant, at) }.first or next
            error("close_order.#{passage.by}", large)
          end
        end

        def variants
          @variants ||= Catalogue::Variant.of_series(@series).uniq { |variant| [variant.traits.values_at(*@series.condition_keys), variant.sides] }
        end

        # What lies from the open end down to the piece that is passed over, itself included.
        def on_the_way(axis, passage)
          all = pieces(axis.stacks)
          all.take(all.index { |_, layer| layer.slot == passage.to }.to_i + 1)
        end

        # @return [String, nil] what is on the rod by then and too large to be passed over
        def too_large(pieces, passage, variant, at)
          on = pieces.select { |stack, layer| Catalogue::Condition.met?(layer.condition, variant) && (place(stack, layer) || 0) < at }
          widest = on.max_by { |_, layer| size(layer, variant, "od_mm") || 0 }&.last
          narrow = narrowest(passage, variant, at)
          return unless widest && narrow && size(widest, variant, "od_mm").to_f > size(narrow, variant, "id_mm") + GRIP_MM

          "slides over #{widest.name} (#{size(widest, variant,
                                              'od_mm')} mm outside) with #{narrow.name} (#{size(narrow, variant,
                                                                                                'id_mm')} mm inside), which cannot " \
            "pass: put it on before."
        end

        # What goes along is in its place by then.
        def narrowest(passage, variant, at)
          carried = passage.carries.flat_map do |id, slots|
            @series.stack(id).layers.select do |layer|
              slots.include?(layer.slot)
            end.map { |layer| [@series.stack(id), layer] }
          end
          there = carried.select { |stack, layer| Catalogue::Condition.met?(layer.condition, variant) && (place(stack, layer) || -1) < at }
          there.map(&:last).select { |layer| size(layer, variant, "id_mm") }.min_by { |layer| size(layer, variant, "id_mm") }
        end

        def size(layer, variant, which)
          numbers = variant.series.parts_for(layer.slot, variant)
          spec = numbers.one? && @series.parts.find { |part| part.number == numbers.first }&.spec or return
          spec[which] || (which == "od_mm" && spec["id_mm"] && spec["section_mm"] ? spec["id_mm"] + (2 * spec["section_mm"]) : nil)
        end

        # What sits in another is no larger than that.
        def hosts
          @series.stacks.flat_map do |stack|
            stack.layers.select(&:inside).map do |layer|
              [stack, layer, stack.layer(layer.inside)]
            end
          end.filter_map do |stack, layer, host|
            large = variants.find do |variant|
              inner, outer = size(layer, variant, "od_mm"), size(host, variant, "od_mm")
              inner && outer && inner > outer + (2 * GRIP_MM) && !%w[oring].include?(layer.shape)
            end
            next unless large

            error("stacks.#{stack.id}.#{layer.slot}", "is larger outside than #{host.name}, in which it sits (#{large.id}): one size is wrong.")
          end
        end
      end
    end
  end
end
