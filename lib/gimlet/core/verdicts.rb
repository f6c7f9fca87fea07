# frozen_string_literal: true

require_relative "../core"

module Gimlet::Core
  # How well something serves: a ring in a groove, a valve for a need, a rubber in a medium. One scale for all of them.
  module Verdicts
    # The best first. "fits" may have a difference that is said; "temporary" is for a while only.
    ALL = %w[exact fits temporary no].freeze

    module_function

    # @param verdicts [Array<String>]
    # @return [String, nil] nil of none
    def worst(verdicts) = verdicts.max_by { |verdict| ALL.index(verdict) }

    # @return [String, nil]
    def best(verdicts) = verdicts.min_by { |verdict| ALL.index(verdict) }
  end
end
