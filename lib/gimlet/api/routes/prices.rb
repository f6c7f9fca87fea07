# frozen_string_literal: true

require "tempfile"
require_relative "../../counter/take_price_list"
require_relative "../../exchange/price_list"

module Gimlet
  module API
    module Routes
      # What things cost and what lies on the shelf: shown, changed one by one, or by a shop's own list.
      module Prices
        # Changes shown of a long list; all of them are counted.
        SHOWN = 200

        # What routes here need besides the application's own.
        module Helpers
          def prices_listed = answer(listed(stock.page(params["q"], page_asked), :prices))
          def take_list = Gimlet::Counter::TakePriceList.new(stock, newest.snapshot)

          # As it was sent, whatever it is.
          def sent_list
            Tempfile.create("list", binmode: true) do |file|
              file.write(parsed_body)
              file.flush
              return Exchange::PriceList.read(file.path)
            end
          end

          def look_view(look)
            { mark: look.mark, changed: look.changes.size, same: look.same, unsold: look.changes.count { |one| !one.sold },
              changes: look.changes.first(SHOWN).map { |one| { **one.to_h, was: one.was&.to_h, now: one.now.to_h } }, refused: look.refused }
          end
        end

        def self.registered(app)
          app.helpers Helpers
          app.serve("prices") { prices_listed }

          app.serve("putPrice") do
            row = Exchange::PriceList.row(body_as("NewPrice"))
            newest.snapshot.sold?(row[:number]) ||
              Core::InputError.reject("number", "unknown_number", "No catalogue has #{row[:number]}: see whether it is written so.")
            stock.put([row], who: who_asks)
            answer(row)
          end

          app.serve("lookAtPrices") { answer(look_view(take_list.look(sent_list))) }

          app.serve("takePrices") do
            taken = take_list.call(sent_list, mark: params["mark"], skip: params["skip"] == "true", who: who_asks)
            answer(taken: taken)
          end
        end
      end
    end
  end
end
