# frozen_string_literal: true

require_relative "../core"

module Gimlet::Core
  # What somebody meant who made a slip of the hand.
  #
  #   Nearest.instead("head_bolt", %w[head_bolts cap_drive]) # => " Did you mean “head_bolts”?"
  module Nearest
    # Letters that a slip changes, and how many names can still be listed.
    SLIP = 2
    LISTED = 12

    module_function

    # @param wrong [String]
    # @param known [Array<String>]
    # @return [String] a sentence to put behind another: the near one, or the whole of a short list, or nothing
    def instead(wrong, known)
      near = one(wrong, known)
      return " Did you mean “#{near}”?" if near

      known.any? && known.size <= LISTED ? " There is #{known.join(', ')}." : ""
    end

    # @return [String, nil] the one that is a slip away
    def one(wrong, known)
      near = known.min_by { |name| differing(wrong.to_s, name.to_s) }
      near if near && differing(wrong.to_s, near.to_s) <= SLIP
    end

    # Letters that differ, wherever they stand; enough to find a slip.
    def differing(one, two)
      (one.chars.tally.to_a - two.chars.tally.to_a).size + (one.size - two.size).abs
    end
  end
end
