# frozen_string_literal: true

require_relative "input_error"

module Gimlet::Core
  # Why something was done otherwise than the rules would: it stays with the order, so it must say something.
  module Reason
    # Letters.
    SHORTEST = 3

    module_function

    # @return [Boolean]
    def said?(text) = text.to_s.strip.size >= SHORTEST

    # @param text [String, nil]
    # @param wanted [String] the sentence that asks for it
    # @raise [InputError] of the field "reason"
    def check(text, wanted) = said?(text) || InputError.reject("reason", "reason_too_short", wanted)
  end
end
