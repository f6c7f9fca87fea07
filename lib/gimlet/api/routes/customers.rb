# frozen_string_literal: true

require_relative "../../core/bench/log"
require_relative "../../exchange/due_calendar"
require_relative "../../present/customer_file"

module Gimlet
  module API
    module Routes
      # Who calls, their pumps, and when to ring them.
      module Customers
        # What routes here need besides the application's own.
        module Helpers
          def known_customer(id) = customers.find(id) || missing("There is no customer #{id}.")

          def customer_file(id)
            customer = known_customer(id)
            rows = pumps.of_customer(customer[:id])
            theirs = orders.of_customer(customer[:id])
            Present::CustomerFile.call(customer, today: Store::Clock.today, pumps: rows, due: rows.reject { |row| row[:gone] }.to_h { |row| [row[:id], look_after_pumps.due(row[:id])] },
                                                 orders: theirs.map { |order| [order, lives.of(order.id), orders.pump_of(order.id)] },
                                                 logs: theirs.to_h { |order| [order.id, Core::Bench::Log.of(bench.of(order.id))] },
                                                 tools: theirs.flat_map { |order| tools.of_order(order.id) }.select(&:out?))
          end

          def pump_row(id) = pumps.find(id) || missing("There is no pump #{id}.")
        end

        def self.registered(app)
          app.helpers Helpers
          people(app)
          machines(app)
          ringing(app)
        end

        def self.people(app)
          app.serve("customers") { answer(customers.all(params["q"])) }
          app.serve("addCustomer") { answer(look_after_customers.add(body_as("NewCustomer")), 201) }
          app.serve("customer") { |id| answer(customer_file(id)) }

          app.serve("changeCustomer") do |id|
            known_customer(id)
            look_after_customers.change(id, body_as("ChangeCustomer"))
            answer(customer_file(id))
          end

          app.serve("mergeCustomer") do |id|
            into = body_as("MergeCustomer")["into"]
            look_after_customers.merge(id, into)
            orders.of_customer(into).each { |order| orders.describe(order.id) }
            answer(customer_file(into))
          end

          app.serve("eraseCustomer") do |id|
            body_as("Nothing")
            look_after_customers.erase(id)
            answer(customer_file(id))
          end
        end

        def self.machines(app)
          app.serve("addPump") do |id|
            known_customer(id)
            look_after_pumps.add(id, body_as("CustomerPump"))
            answer(customer_file(id), 201)
          end

          app.serve("changePump") do |id|
            row = pump_row(id)
            look_after_pumps.change(id, body_as("ChangePump"))
            answer(customer_file(row[:customer_id]))
          end
        end

        def self.ringing(app)
          app.serve("rung") do |id|
            row = pump_row(id)
            body = body_as("Rung")
            look_after_pumps.rung(id, body["again_on"])
            Store::History.new(database).note("rung", { pump: row[:designation], customer: known_customer(row[:customer_id])[:name], **body }, who: who_asks)
            answer(customer_file(row[:customer_id]))
          end

          app.serve("calendar") do
            content_type "text/calendar", charset: "utf-8"
            headers "Content-Disposition" => %(attachment; filename="gimlet-due.ics")
            rows = pumps.dated.map { |row| [row, look_after_pumps.due(row[:id])] }
            Exchange::DueCalendar.call(rows)
          end
        end
      end
    end
  end
end
