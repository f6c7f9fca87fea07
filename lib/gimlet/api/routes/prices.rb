# frozen_string_literal: true

require_relative "../../exchange/price_list"

module Gimlet
  module API
    module Routes
      # What things cost and what lies on the shelf: shown, and changed one by one.
      module Prices
        def self.registered(app)
          app.serve("prices") { answer(listed(stock.page(params["q"], page_asked), :prices)) }

          app.serve("putPrice") do
            row = Exchange::PriceList.row(body_as("NewPrice"))
            newest.snapshot.sold?(row[:number]) ||
              Core::InputError.reject("number", "unknown_number", "No catalogue has #{row[:number]}: see whether it is written so.")
            stock.upsert([row], who: who_asks)
            answer(row)
          end
        end
      end
    end
  end
end
