# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Catalogue
    # What may come of looking a piece over.
    OUTCOMES = { "as_it_is" => "goes back as it is", "clean" => "clean it", "rework" => "rework it", "turn_over" => "turn it over",
                 "replace" => "renew it" }.freeze

    # What decides about a piece: a `sign` that is seen, or a `measure` with its limit in `unit` (`at_least`, `at_most`). `outcome` is one of
    # OUTCOMES, `how` the way it is reworked. `decides` are slots of other pieces
    # that are renewed when this is so: a bore decides about its ring.
    Criterion = Value.of(:sign, :measure, :unit, :at_least, :at_most, :outcome, :how, :decides) do
      # @return [Boolean] whether a measured value is beyond the limit
      def broken_by?(value) = (!at_least.nil? && value < at_least) || (!at_most.nil? && value > at_most)

      # @return [String] "free length at least 18.5 mm"
      def limit = [measure, at_least && "at least #{at_least}", at_most && "at most #{at_most}", unit].compact.join(" ")

      # @return [String] "scored: renew it", "free length under 18.5 mm: renew it"
      def to_s = "#{sign || "#{measure} #{bounds}"}: #{how || OUTCOMES.fetch(outcome)}"

      def bounds = [at_least && "under #{at_least} #{unit}", at_most && "over #{at_most} #{unit}"].compact.join(" or ")
    end
  end
end
