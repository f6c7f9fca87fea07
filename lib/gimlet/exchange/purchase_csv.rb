# frozen_string_literal: true

require "csv"

module Gimlet
  module Exchange
    # A purchase as a table that any supplier can read.
    module PurchaseCSV
      HEADINGS = %w[purchase number quantity price received].freeze

      module_function

      # @param purchase [Hash] of Store::Purchases
      # @return [String] CSV
      def call(purchase)
        CSV.generate do |csv|
          csv << HEADINGS
          purchase[:lines].each do |line|
            price = line[:price_cents] && Core::Money.plain(line[:price_cents])
            csv << ["P-#{purchase[:id]}", line[:number], line[:quantity], price, line[:received]]
          end
        end
      end
    end
  end
end
