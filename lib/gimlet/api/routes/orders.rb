# frozen_string_literal: true

require_relative "../../exchange/paper/card"
require_relative "../../exchange/paper/torque_strip"

module Gimlet
  module API
    module Routes
      # Agreed orders, what becomes of them, and their cards.
      module Orders
        ID = %r{/api/orders/(\d{1,15})}
        SHEETS = { "card" => Exchange::Paper::Card, "strip" => Exchange::Paper::TorqueStrip }.freeze
        REASON = 3

        def self.registered(app)
          reading(app)
          changing(app)
          printing(app)
        end

        def self.reading(app)
          app.get("/api/orders") { answer(listed(orders.page(params["q"], page_asked), :orders)) }
          app.get(ID) { |id| answer(known_order(id)) }

          app.get(%r{#{ID}/versions/(\d{1,9})}) do |id, version|
            answer(orders.earlier(id.to_i, version.to_i) || missing("Order #{id} has no earlier version #{version}."))
          end
        end

        def self.changing(app)
          app.post("/api/orders") do
            body = body_as("PlaceOrder")
            order, fresh = place_order.call(body)
            answer(order || missing("There is no ticket #{body['ticket_id']}."), fresh ? 201 : 200)
          end

          app.post(%r{#{ID}/cancel}) do |id|
            body = body_as("CancelOrder")
            reason = body["reason"].strip
            reason.size < REASON && Core::InputError.reject("reason", "reason_too_short", "Say in a few words why the order is cancelled.")
            known_order(id)
            orders.cancel(id.to_i, reason,
                          who: body["who"] || "counter") || Core::InputError.reject("id", "cancelled", "Order #{id} is cancelled already.")
            answer(known_order(id))
          end
        end

        def self.printing(app)
          SHEETS.each do |name, sheet|
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
