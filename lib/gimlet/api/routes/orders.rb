# frozen_string_literal: true

require_relative "../../core/bench/log"
require_relative "../../core/desk/code"
require_relative "../../core/order/places"
require_relative "../../counter/same_again"
require_relative "../../counter/scan_piece"
require_relative "../../counter/step_order"
require_relative "../../counter/workshop"
require_relative "../../exchange/paper/labels"
require_relative "../../exchange/paper/order_paper"
require_relative "../../exchange/paper/stationery"
require_relative "../../present/order_view"

module Gimlet
  module API
    module Routes
      # Agreed orders, what becomes of them, and their cards.
      module Orders
        # What routes here need besides the application's own.
        module Helpers
          def order_view(order)
            before = order.version > 1 ? orders.earlier(order.id, order.version - 1) : nil
            done = bench.of(order.id)
            life = lives.of(order.id).with(who: person&.name)
            Present::OrderView.new(order, life, tax: tax, role: person&.role, arrivals: terms(before: order.id).arrivals)
                              .call(life.done, done, before, ahead: lives.ahead(order.id))
                              .merge(together: beside(order)).merge(found: found_at_bench(order, done))
          end

          def again(order, body)
            pump = orders.pump_of(order.id)&.then { |id| pumps.find(id) }
            again = Gimlet::Counter::SameAgain.new(add_entry, tickets, pump)
            once(body) { again.call(order, key: body["key"], who: body["who"] || "counter", at_hand: body["ticket_id"]) }
          end

          def stationery = Exchange::Paper::Stationery.of(paper: params["paper"], ways: ways, face: face)

          # Percent on top of all prices.
          def tax = shop.settings["tax"] || "0"

          # Printed beside the counter's own work.
          # @param sheet [String] a class under Exchange::Paper
          # @param name [String] of the file
          def printed(sheet, name, *told, **options)
            pdf = Gimlet::Counter::Workshop.shared.call("Gimlet::Exchange::Paper::#{sheet}", *told, on: stationery, **options)
            content_type "application/pdf"
            headers "Content-Disposition" => %(inline; filename="gimlet-#{name}.pdf")
            pdf
          end

          # @return [Array<Hash>] the other orders of its call
          def beside(order)
            together(order).drop(1).map do |other|
              life = lives.of(other.id)
              { id: other.id, pump: other.record["pump"]["model"], state: life.state, goes_along: Core::Order::Steps::HandOver.goes_along?(life) }
            end
          end

          # @return [Array<Core::Order>] orders of the same call, this one first
          def together(order)
            others = tickets.of_call(order.ticket_id).filter_map { |ticket| orders.id_of(ticket) } - [order.id]
            [order, *others.map { |id| known_order(id) }]
          end

          def paper_job(order)
            life = lives.of(order.id)
            Exchange::Paper::OrderPaper::Job.new(order: order, life: life, total: life.total(order.discount, tax))
          end

          def bag_label(order)
            lacking = Core::Order::Places.of_order(order.record, lives.of(order.id)).lacking
            stops = order.record["stops"].map { |stop| "STOP: #{stop['name']}" } + lacking
            pump = order.record["pump"].values_at("model", "serials").compact.join(" ")
            Exchange::Paper::Labels::Label.new(code: Core::Desk::Code.new(kind: "order", value: order.id).to_s, strong: "order #{order.id}",
                                               lines: [*stops, order.customer || "nobody named", pump])
          end

          def step_order
            Gimlet::Counter::StepOrder.new(database, care: look_after_pumps, role: person&.role, **stores)
          end
        end

        # What goes to the customer with the goods.
        PAPERS = { "quote" => "Quote", "note" => "DeliveryNote" }.freeze

        def self.registered(app)
          app.helpers Helpers
          reading(app)
          changing(app)
          printing(app)
        end

        def self.reading(app)
          app.serve("orders") { render_json(listed(orders.page(params["q"], page_asked), :orders)) }
          app.serve("order") { |id| render_json(order_view(known_order(id))) }

          app.serve("earlierOrder") do |id, version|
            earlier = orders.earlier(id, version) || missing("Order #{id} has no earlier version #{version}.")
            render_json(order_view(earlier))
          end
        end

        def self.changing(app)
          app.serve("placeOrder") do
            body = body_as("PlaceOrder")
            order, fresh = place_order(body["ticket_id"]).call(body)
            order || missing("There is no ticket #{body['ticket_id']}.")
            render_json(order_view(order), fresh ? 201 : 200)
          end

          app.serve("orderAgain") { |id| render_json(view(again(known_order(id), body_as("SameAgain"))), 201) }
          living(app)
        end

        def self.living(app)
          app.serve("stepOrder") do |id|
            known_order(id)
            body = body_as("NewStep")
            once(body) { step_order.call(id, body) && nil }
            render_json(order_view(known_order(id)))
          end

          app.serve("scanPiece") do |id|
            known_order(id)
            body = body_as("NewScan")
            scanned = once(body) { Gimlet::Counter::ScanPiece.new(step_order, lives, reference.snapshot).call(id, body).to_h.transform_keys(&:to_s) }
            render_json({ **scanned, order: order_view(known_order(id)) })
          end
        end

        def self.printing(app)
          app.serve("card") do |id|
            link = "#{peer.scheme}://#{request.env['HTTP_HOST']}/orders/#{id}"
            printed("Card", "card-#{id}", known_order(id), lives.of(id), link: link)
          end
          app.serve("mat") { |id| printed("Mat", "mat-#{id}", known_order(id)) }
          app.serve("strip") { |id| printed("TorqueStrip", "strip-#{id}", known_order(id)) }
          PAPERS.each do |name, paper|
            app.serve(name) do |id|
              own, *others = together(known_order(id)).map { |order| paper_job(order) }
              printed(paper, "#{name}-#{id}", [own, *others.select { |job| own.life.same_paper?(job.life) }])
            end
          end
          app.serve("bagLabel") { |id| printed("Labels", "label-#{id}", [bag_label(known_order(id))]) }
        end
      end
    end
  end
end
