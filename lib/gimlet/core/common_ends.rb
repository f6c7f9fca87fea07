# frozen_string_literal: true

require_relative "../core"

module Gimlet::Core
  # What two lists have alike at both ends, so that only what lies between is gone through.
  #
  #   CommonEnds.of(%w[a b c], %w[a x y c]) # => [1, 1]
  module CommonEnds
    # @yield [one, other] whether they are the same; by default whether they are equal
    # @return [Array(Integer, Integer)] how many at the beginning, and at the end behind those
    def self.of(old, new, &same)
      same ||= :==.to_proc
      most = [old.size, new.size].min
      head = (0...most).find { |at| !same.call(old[at], new[at]) } || most
      [head, (0...(most - head)).find { |at| !same.call(old[-1 - at], new[-1 - at]) } || (most - head)]
    end
  end
end
