# frozen_string_literal: true

require_relative "../../exchange/paper/card"
require_relative "../../exchange/paper/torque_strip"

module Gimlet
  module API
    module Routes
      # Agreed orders and their cards.
      module Orders
        ID = %r{/api/orders/(\d{1,15})}

        # What a list needs of an order.
        def self.summary(order)
          record = order[:record]
          { id: order[:id], created_at: order[:created_at], customer: order[:customer], sure: record["sure"],
            model: record["pump"].values_at("model", "serials").compact.join(" "), work: record["work"]["areas"].map { |one| one["name"] },
            price_cents: record["parts"]["price_cents"] }
        end

        def self.registered(app)
          app.get("/api/orders") { answer(orders.all.map { |order| Orders.summary(order) }) }

          app.post("/api/orders") do
            body = body_as("PlaceOrder")
            order, fresh = place_order.call(body)
            answer(order || missing("There is no ticket #{body['ticket_id']}."), fresh ? 201 : 200)
          end

          app.get(ID) { |id| answer(known_order(id)) }

          { "card" => Exchange::Paper::Card, "strip" => Exchange::Paper::TorqueStrip }.each do |name, sheet|
            app.get(%r{#{ID}/#{name}\.pdf}) do |id|
              pdf = sheet.call(known_order(id), paper: params["paper"] || "A4", link: "#{request.base_url}/orders/#{id}")
              content_type "application/pdf"
              headers "Content-Disposition" => %(inline; filename="gimlet-#{name}-#{id}.pdf")
              pdf
            end
          end
        end
      end
    end
  end
end
