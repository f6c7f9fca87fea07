# frozen_string_literal: true

require_relative "../0_quantities/money"
require_relative "../value"
require_relative "arrivals"

module Gimlet::Core
  module Desk
    # What a price is told with: the `tax` on top, in percent, and when what is short comes.
    #
    #   Terms.new(tax: "21", arrivals: arrivals).gross(1000) # => 1210
    Terms = Value.of(:tax, :arrivals) do
      # @param cents [Integer]
      # @return [Integer] with tax
      def gross(cents) = cents + Money.share(cents, tax)

      # @return [Terms] no tax, and nobody knows when anything comes
      def self.none = new(tax: "0", arrivals: Arrivals.new(today: Date.new(2000, 1, 1)) { Arrivals::Known.new(purchases: [], kept: [], waiting: {}) })

      # @return [Array] differs where something else would be told
      def mark = [tax, arrivals.mark]
    end
  end
end
