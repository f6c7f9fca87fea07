# frozen_string_literal: true

require_relative "../1_catalogue/series"

module Gimlet::Core
  # In which order the groups that a work opens come off, whichever area asked for them first: what lies in front of a group before it (`after`), and
  # what is tightened on another piece while that is still on (`on`), for there it is loosened too.
  class Opening
    # @param series [Catalogue::Series]
    # @param ids [Array<String>] of groups, as the areas ask for them
    # @return [Array<String>] the same ids
    def self.order(series, ids) = new(series, ids).call

    def initialize(series, ids)
      @groups = ids.map { |id| series.group(id) }
      @series = series
    end

    def call = @groups.each_with_object([]) { |group, off| take_off(group, off, []) }.map(&:id)

    private

    def take_off(group, off, waiting)
      return if off.include?(group) || waiting.include?(group)

      first(group).each { |other| take_off(other, off, [*waiting, group]) }
      off << group
    end

    def first(group)
      in_front = @groups.select { |other| group.after.include?(other.id) }
      in_front | @groups.select { |other| other.on.include?(group.id) && !behind?(other, group.id) }
    end

    def behind?(group, id, seen = [])
      group.after.any? { |other| other == id || (!seen.include?(other) && behind?(@series.group(other), id, [*seen, other])) }
    end
  end
end
