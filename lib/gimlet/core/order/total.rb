# frozen_string_literal: true

require_relative "../0_quantities/money"
require_relative "../value"
require_relative "order"

module Gimlet::Core
  class Order
    # What is to be paid, in whole cents. The discount is taken off the sum and rounded once; the tax is reckoned on what is left and rounded once;
    # both half a cent up. Prices are without tax.
    #
    #   Total.of([[2, 6718]], discount: "5", tax: "21").gross_cents # => 15446
    Total = Value.of(:net_cents, :discount, :discount_cents, :base_cents, :tax, :tax_cents, :gross_cents)

    # The sums.
    class Total
      # @param lines [Array<Array(Integer, Integer)>] how many at how many cents
      # @param discount [String] percent, as "7.5"
      # @param tax [String] percent
      # @return [Total]
      def self.of(lines, discount: "0", tax: "0")
        net = lines.sum { |count, cents| count * cents }
        off = Money.share(net, discount)
        taxes = Money.share(net - off, tax)
        new(net_cents: net, discount: discount, discount_cents: off, base_cents: net - off, tax: tax, tax_cents: taxes,
            gross_cents: net - off + taxes)
      end
    end
  end
end
