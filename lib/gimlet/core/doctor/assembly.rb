# frozen_string_literal: true

require_relative "../6_tightening/closing"
require_relative "close_plan"
require_relative "remark"

module Gimlet::Core
  class Doctor
    # Whether a pump can be put together in the order that is written: everything once, what must be done first before, what lies deeper first,
    # and whatever is loose is tight at the end.
    class Assembly
      include Saying

      # @param series [Catalogue::Series]
      def initialize(series, _known)
        @series = series
        @plan = ClosePlan.new(series)
        @order = @plan.steps
        @keys = @plan.keys
      end

      # @return [Array<Remark>]
      def call = complete + before + depths

      private

      # Each group once, each fastener that was left slack tight again, after its group.
      def complete
        return [] unless @plan.written?

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
            wrong("close_order.#{step.key}", "stands before “#{key}”, which must be done first: change their places.")
          end
        end
      end

      def needs(step)
        group = step.group && @series.group(step.group)
        [*step.after, *(group ? group.on + behind(group) + told(group) : []), *(step.tighten ? holding(step.tighten) : [])].uniq
      end

      # "With the manifold on the pump": that is back by then.
      def told(group) = @series.groups.select { |other| group.close.match?(/\bwith the #{Regexp.escape(other.name)} on the pump\b/i) }.map(&:id)

      # Groups that came off after this one go back before it, unless they need it back.
      def behind(group)
        later = @series.groups.select { |other| @plan.with_first(other.id)[0...-1].include?(group.id) }
        later.reject { |other| needed(other).include?(group.id) }.map(&:id)
      end

      # @return [Array<String>] what a group needs back, directly or through a step that it needs
      def needed(group)
        keys = group.on
        keys + keys.flat_map { |key| @series.close_order.find { |step| step.key == key }&.after || [] }
      end

      def holding(fastener) = @series.groups.select { |group| group.fasteners.include?(fastener) }.map(&:id)

      # Along each axis what lies deeper goes in first.
      def depths
        @plan.axes.flat_map do |pieces|
          timed = pieces.reject { |_, layer| layer.inside }.filter_map { |stack, layer| (at = @plan.place(stack, layer)) && [stack, layer, at] }
          timed.each_cons(2).filter_map do |(_, outer, early), (_stack, inner, late)|
            next unless late > early && outer.condition.nil? && inner.condition.nil?

            wrong("close_order.#{@keys[early]}", "puts in #{outer.name} before #{inner.name} (#{@keys[late]}), which lies deeper: it " \
                                                 "cannot go in any more.")
          end
        end
      end

      # An order that is written is meant; one that follows from coming off may have been left out.
      def wrong(place, text) = @plan.written? ? error(place, text) : warning(place, text)
    end
  end
end
