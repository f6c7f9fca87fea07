# frozen_string_literal: true

require_relative "../../exchange/paper/card"
require_relative "../../exchange/paper/torque_strip"
require_relative "../../present/order_view"

module Gimlet
  module API
    module Routes
      # Agreed orders, what becomes of them, and their cards.
      module Orders
        SHEETS = { "card" => Exchange::Paper::Card, "strip" => Exchange::Paper::TorqueStrip }.freeze

        def self.registered(app)
          reading(app)
          changing(app)
          printing(app)
        end

        def self.reading(app)
          app.serve("orders") { answer(listed(orders.page(params["q"], page_asked), :orders)) }
          app.serve("order") { |id| answer(Present::OrderView.call(known_order(id))) }

          app.serve("earlierOrder") do |id, version|
            earlier = orders.earlier(id, version) || missing("Order #{id} has no earlier version #{version}.")
            answer(Present::OrderView.call(earlier))
          end
        end

        def self.changing(app)
          app.serve("placeOrder") do
            body = body_as("PlaceOrder")
            order, fresh = place_order.call(body)
            order || missing("There is no ticket #{body['ticket_id']}.")
            answer(Present::OrderView.call(order), fresh ? 201 : 200)
          end

          app.serve("cancelOrder") do |id|
            known_order(id)
            Gimlet::Counter::CancelOrder.new(database, orders).call(id, body_as("CancelOrder"))
            answer(Present::OrderView.call(known_order(id)))
          end
        end

        def self.printing(app)
          SHEETS.each do |name, sheet|
            app.serve(name) do |id|
              pdf = sheet.call(known_order(id), paper: params["paper"] || "A4", link: "#{peer.scheme}://#{request.env['HTTP_HOST']}/orders/#{id}")
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
