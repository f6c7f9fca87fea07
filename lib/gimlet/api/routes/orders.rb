# frozen_string_literal: true

require_relative "../../counter/scan_piece"
require_relative "../../counter/step_order"
require_relative "../../exchange/paper/card"
require_relative "../../exchange/paper/torque_strip"
require_relative "../../present/order_view"

module Gimlet
  module API
    module Routes
      # Agreed orders, what becomes of them, and their cards.
      module Orders
        # What routes here need besides the application's own.
        module Helpers
          def order_view(order)
            Present::OrderView.call(order, lives.of(order.id), lives.steps(order.id), tax: shop["tax"] || "0", role: person&.role)
          end

          def step_order
            Gimlet::Counter::StepOrder.new(database, orders: orders, lives: lives, customers: customers, role: person&.role)
          end
        end

        SHEETS = { "card" => Exchange::Paper::Card, "strip" => Exchange::Paper::TorqueStrip }.freeze

        def self.registered(app)
          app.helpers Helpers
          reading(app)
          changing(app)
          printing(app)
        end

        def self.reading(app)
          app.serve("orders") { answer(listed(orders.page(params["q"], page_asked), :orders)) }
          app.serve("order") { |id| answer(order_view(known_order(id))) }

          app.serve("earlierOrder") do |id, version|
            earlier = orders.earlier(id, version) || missing("Order #{id} has no earlier version #{version}.")
            answer(order_view(earlier))
          end
        end

        def self.changing(app)
          app.serve("placeOrder") do
            body = body_as("PlaceOrder")
            order, fresh = place_order(body["ticket_id"]).call(body)
            order || missing("There is no ticket #{body['ticket_id']}.")
            answer(order_view(order), fresh ? 201 : 200)
          end

          app.serve("stepOrder") do |id|
            known_order(id)
            step_order.call(id, body_as("NewStep"))
            answer(order_view(known_order(id)))
          end

          app.serve("scanPiece") do |id|
            known_order(id)
            scanned = Gimlet::Counter::ScanPiece.new(step_order, lives, reference.snapshot).call(id, body_as("NewScan"))
            answer({ **scanned.to_h, order: order_view(known_order(id)) })
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
