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
            jobs = orders.of_customer(customer[:id]).map { |order| customer_job(order) }
            file = Present::CustomerFile.new(customer, today: Store::Clock.today, jobs: jobs, tools: jobs.flat_map do |job|
              job.life.loans
            end.select(&:out?))
            file.call(pumps.of_customer(customer[:id]).map { |row| [row, row[:gone] ? [] : look_after_pumps.due(row[:id])] })
          end

          def customer_job(order)
            Present::CustomerFile::Job.new(order: order, life: lives.of(order.id), pump: orders.pump_of(order.id), bench: bench.of(order.id))
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
          app.serve("customers") { render_json(customers.all(params["q"])) }
          app.serve("addCustomer") do
            body = body_as("NewCustomer")
            id = once(body) { look_after_customers.add(body)[:id] }
            render_json(customers.find(id).except(:tools, :last), 201)
          end
          app.serve("customer") { |id| render_json(customer_file(id)) }

          app.serve("changeCustomer") do |id|
            known_customer(id)
            look_after_customers.change(id, body_as("ChangeCustomer"))
            render_json(customer_file(id))
          end

          joining(app)
        end

        # Two entries that are one, and one that is to be forgotten.
        def self.joining(app)
          app.serve("mergeCustomer") do |id|
            body = body_as("MergeCustomer")
            into = body["into"]
            once(body) do
              look_after_customers.merge(id, into)
              orders.of_customer(into).each { |order| orders.describe(order.id) } && nil
            end
            render_json(customer_file(into))
          end

          app.serve("eraseCustomer") do |id|
            body_as("Nothing")
            look_after_customers.erase(id)
            render_json(customer_file(id))
          end
        end

        def self.machines(app)
          app.serve("addPump") do |id|
            known_customer(id)
            body = body_as("CustomerPump")
            once(body) { look_after_pumps.add(id, body) }
            render_json(customer_file(id), 201)
          end

          app.serve("changePump") do |id|
            row = pump_row(id)
            look_after_pumps.change(id, body_as("ChangePump"))
            render_json(customer_file(row[:customer_id]))
          end
        end

        def self.ringing(app)
          app.serve("rung") do |id|
            row = pump_row(id)
            body = body_as("Rung")
            once(body) do
              look_after_pumps.rung(id, body["again_on"], body["note"].to_s)
              told = body.except("key").transform_keys(&:to_sym)
              noted_as("rung", pump: row[:designation], customer: known_customer(row[:customer_id])[:name], **told) && nil
            end
            render_json(customer_file(row[:customer_id]))
          end

          due(app)
        end

        # What is due, on paper and as a calendar.
        def self.due(app)
          app.serve("dueList") do
            printed("DueList", "due", pumps.dated.map { |row| [row, look_after_pumps.due(row[:id])] }, today: Store::Clock.today)
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
