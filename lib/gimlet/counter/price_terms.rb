# frozen_string_literal: true

require_relative "../core/desk/terms"

module Gimlet
  module Counter
    # What prices are told with in this shop now.
    #
    #   PriceTerms.of(purchases, stock, tax: "21", format: ways, today: today).gross(1000) # => 1210
    module PriceTerms
      module_function

      # @param purchases [Store::Purchases]
      # @param stock [Store::Stock]
      # @param before [Integer, nil] the order that pieces are for; what earlier ones wait for comes before it
      # @return [Core::Desk::Terms]
      def of(purchases, stock, tax:, format:, today:, before: nil)
        mark = [purchases.revision, stock.revision, before || stock.last_order]
        arrivals = Core::Desk::Arrivals.new(today: today, format: format, mark: mark) do
          under_way, kept = purchases.known
          Core::Desk::Arrivals::Known.new(purchases: under_way, kept: kept, waiting: stock.waiting(before: before))
        end
        Core::Desk::Terms.new(tax: tax, arrivals: arrivals)
      end
    end
  end
end
