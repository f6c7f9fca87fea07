# frozen_string_literal: true

require_relative "remark"

module Gimlet::Core
  class Doctor
    # Whether the work that is agreed opens what lies before it.
    class Reach
      include Saying

      # @param series [Catalogue::Series]
      def initialize(series, _known)
        @series = series
      end

      # @return [Array<Remark>]
      def call = @series.areas.flat_map { |area| shut(area) + behind(area) + through(area) } + carried + half + crank

      private

      def shut(area)
        return [] if area.stacks.empty? || area.opens.any? || @series.groups.empty?

        [error("areas.#{area.id}.opens",
               "is empty, and its pieces sit inside: name the group that comes off first (#{@series.groups.map(&:id).join(', ')}).")]
      end

      # What sits behind a group that disturbs it is reached by taking that off.
      def behind(area)
        opened = opened(area)
        area.stacks.filter_map do |id|
          openers = @series.groups.select { |group| group.disturbs.key?(id) && group.condition.nil? }.map(&:id)
          next if openers.empty? || openers.intersect?(opened) || area.opens.empty?

          error("areas.#{area.id}.opens", "opens #{area.opens.join(', ')}; stack #{id} comes apart with #{openers.join(' or ')}: name that.")
        end
      end

      def opened(area) = area.opens.flat_map { |id| [id, *before(id)] }.uniq
      def plungers = @series.stacks.select { |stack| stack.layers.any? { |layer| layer.shape == "plunger" } }

      # A plunger runs through the seals of its cylinder: it is off before they come out, where they are drawn to the front.
      def through(area)
        seals = area.stacks.filter_map { |id| @series.stack(id) }.select { |stack| stack.layers.any? { |layer| layer.shape == "lip_seal" } }
        runs = plungers.select { |stack| seals.any? { |seal| seal != stack && seal.positions == stack.positions } }.map(&:id)
        takers = @series.groups.select { |group| group.disturbs.keys.intersect?(runs) }.map(&:id)
        return [] if takers.empty? || takers.intersect?(opened(area)) || area.stacks.intersect?(runs)

        [warning("areas.#{area.id}.opens", "opens #{area.opens.join(', ')}, and the plunger that runs through its seals comes off with " \
                                           "#{takers.join(' or ')}: name that, if it must be off.")]
      end

      # The crank stands so when what slides over the plungers goes on.
      def crank
        refit = @series.refit or return []
        slid = @series.axes.flat_map { |axis| axis.passed_by || [] }.map(&:by).select { |id| @series.group(id) }.uniq
        return [] if refit.when == "always" || slid.empty? || refit.when.intersect?(slid)

        [warning("refit.when", "is #{refit.when.join(', ')}; what slides over the plungers is #{slid.join(' and ')}: say that.")]
      end

      # What comes off at each position is bolted where the stack that it opens has a place.
      def half
        @series.groups.select(&:each).flat_map do |group|
          held = group.fasteners.filter_map { |id| @series.fastener(id) }.flat_map(&:points).flat_map { |point| point.at || [] }.uniq
          stacks = group.disturbs.keys.filter_map { |id| @series.stack(id) }.select { |stack| stack.condition.nil? }
          stacks.select { |stack| stack.positions.intersect?(held) && (held - stack.positions).any? }.map do |stack|
            error("stacks.#{stack.id}.positions", "are #{stack.positions.join(', ')}, and #{group.id}, which opens it, is bolted at " \
                                                  "#{held.join(', ')} too: one is wrong.")
          end
        end
      end

      def before(id, seen = [])
        (@series.group(id)&.after || []).reject { |one| seen.include?(one) }.flat_map { |one| [one, *before(one, [*seen, one])] }
      end

      # What slides over a piece that is on already must be off before that piece comes off.
      def carried
        @steps = @series.close_order.map(&:key)
        @series.axes.flat_map { |axis| (axis.passed_by || []).flat_map { |passage| over(axis, passage) } }
      end

      def later?(one, other) = [@steps.index(one), @steps.index(other)].then { |at, than| at && than && at > than }

      def over(axis, passage)
        return [] unless @series.group(passage.by)

        ids = axis.stacks.map(&:first)
        first = @series.groups.select { |group| group.after.empty? && later?(passage.by, group.id) }
        first.select { |group| group.disturbs.slice(*ids).values.flatten.include?(passage.to) }.map do |group|
          error("groups.#{group.id}.after", "is empty, and #{passage.by} sits over its #{passage.to}: put #{passage.by} under after.")
        end
      end
    end
  end
end
