# frozen_string_literal: true

require_relative "../../counter/buy"
require_relative "../../exchange/purchase_csv"
require_relative "../../exchange/supplier_link"

module Gimlet
  module API
    module Routes
      # What to buy, purchases, and what comes of them.
      module Buying
        # What routes here need besides the application's own.
        module Helpers
          def buy
            Gimlet::Counter::Buy.new(database, snapshot: reference.snapshot, link: supplier, who: who_asks, stock: stock, purchases: purchases,
                                               lives: lives)
          end

          def known_purchase(id) = purchases.find(id) || missing("There is no purchase #{id}.")
          def linked = supplier || Core::InputError.reject("supplier", "none", "No supplier is linked: set GIMLET_SUPPLIER, or go on on paper.")
        end

        def self.registered(app)
          app.helpers Helpers
          app.serve("toBuy") { render_json(linked: !supplier.nil?, day: supplier&.mood, lines: buy.wanted.map(&:to_h)) }
          app.serve("purchases") { render_json(purchases.latest) }
          app.serve("purchase") { |id| render_json(known_purchase(id)) }

          app.serve("purchaseTable") do |id|
            content_type "text/csv", charset: "utf-8"
            headers "Content-Disposition" => %(attachment; filename="gimlet-purchase-#{id}.csv")
            Exchange::PurchaseCSV.call(known_purchase(id))
          end

          asking(app)
          doing(app)
        end

        # The supplier's bad days are told, not suffered.
        def self.asking(app)
          app.serve("supplierDay") do
            wanted = body_as("SupplierDay")["mood"]
            render_json(linked.mood(wanted) || Core::InputError.reject("mood", "no_stand_in", "This supplier is no stand-in: its days are its own."))
          end

          app.serve("dispatchNote") do |id|
            body_as("Nothing")
            known_purchase(id)
            render_json(lines: (linked.dispatch("P-#{id}") || {}).map { |number, quantity| { number: number, quantity: quantity } }, problem: nil)
          rescue Exchange::SupplierLink::Trouble => e
            render_json(lines: [], problem: e.message)
          end

          app.serve("askSupplier") do
            numbers = body_as("AskSupplier")["numbers"]
            render_json(lines: linked.stock(numbers), problem: nil)
          rescue Exchange::SupplierLink::Trouble => e
            render_json(lines: [], problem: e.message)
          end
        end

        def self.doing(app)
          app.serve("writePurchase") { body_as("NewPurchase").then { |body| render_json(known_purchase(once(body) { buy.write(body) }), 201) } }

          app.serve("sendPurchase") do |id|
            body_as("Nothing")
            known_purchase(id)
            linked
            problem = buy.send_off(id)
            render_json(problem: problem, purchase: known_purchase(id))
          end

          app.serve("receivePurchase") do |id|
            known_purchase(id)
            body = body_as("NewReceipt")
            once(body) { buy.receive(id, body) && nil }
            render_json(known_purchase(id))
          end
        end
      end
    end
  end
end
