# frozen_string_literal: true

require_relative "../../counter/found_at_bench"
require_relative "../../core/order/places"
require_relative "../../present/bench_view"
require_relative "../../present/places"

module Gimlet
  module API
    module Routes
      # An order at the bench: the card on a tablet, and what goes back from there to the counter.
      module Bench
        # What routes here need besides the application's own.
        module Helpers
          def at_bench(order, at)
            entries = bench.of(order.id)
            pump = at.clamp(1, order.record["work"]["pumps"])
            render_json(Present::BenchView.call(order, entries, at: pump, found: found_at_bench(order, entries), places: places_of(order)))
          end

          def places_of(order)
            life = lives.of(order.id)
            days = life.goods.to_h { |good| [good.number, terms(before: order.id).arrivals.said(good.number, good.short)] }
            Present::Places.call(Core::Order::Places.of_order(order.record, life, days: days))
          end

          # @raise [Core::InputError] while a danger stands
          def nothing_stands(order)
            stop = order.record["stops"].find { |one| one["sure"] } or return
            Core::InputError.reject("stop", "stop_stands", "STOP: #{stop['name']}. Nothing is done at it before #{stop['lifted']}.")
          end

          # What was found, and what the order would be with it.
          def found_at_bench(order, entries)
            found = found_by(order, entries)
            return { findings: found.findings, note: nil, changes: [], cents: 0 } if found.waiting.empty?

            changes = changes_with(order, found)
            { findings: found.findings, note: found.note, changes: changes.map(&:to_h), cents: changes.sum(&:cents) }
          end

          def found_by(order, entries) = Gimlet::Counter::FoundAtBench.new(order, entries, tickets.entries(order.ticket_id))

          # As its ticket would have it, at today's prices, beside what was agreed.
          def changes_with(order, found)
            planned = work_on(order.ticket_id, found.with_them).planned or return []
            lines = JSON.parse(JSON.generate(Present::Plan.call(planned)[:plans].first[:lines]))
            Core::Order::Changes.goods(order.record, { "parts" => { "lines" => lines } })
          end

          # Opens the order's ticket again where it is closed, and adds what was found.
          def take_findings(order, body)
            found = found_by(order, bench.of(order.id))
            found.waiting.empty? && Core::InputError.reject("key", "nothing_found", "Nothing is waiting from the bench.")
            database.transaction(mode: :immediate) do
              entries = ([{ "kind" => "reopened", "reason" => found.reason }] + found.waiting.map { |one| { "kind" => "inspected", **one } })
              entries.shift if Core::Ticket::TicketState.of(tickets.entries(order.ticket_id)).state == "open"
              entries.each_with_index do |one, at|
                add_entry.call(order.ticket_id, { **one, "key" => "#{body['key']} #{at}", "who" => body["who"] || "counter" })
              end
            end
          end
        end

        def self.registered(app)
          app.helpers Helpers
          app.serve("bench") { |id| at_bench(known_order(id), params.fetch("pump", "1").to_i) }
          noting(app)
          stopping(app)

          app.serve("torqueRecord") do |id|
            printed("TorqueRecord", "torques-#{id}", known_order(id), bench.of(id))
          end
        end

        def self.noting(app)
          app.serve("noteAtBench") do |id|
            order, body = known_order(id), body_as("NewBenchEntry")
            once(body) { nothing_stands(order) || (note_at_bench.call(order, body) && nil) }
            at_bench(order, body["pump"] || 1)
          end

          app.serve("takeFindings") do |id|
            order, body = known_order(id), body_as("TakeFindings")
            once(body) { take_findings(order, body) && nil }
            render_json(view(order.ticket_id), 201)
          end
        end

        # A danger is the first step of the work: somebody says what was looked at before it goes on.
        def self.stopping(app)
          app.serve("liftStop") do |id|
            order, body = known_order(id), body_as("LiftedStop")
            once(body) { add_entry.call(order.ticket_id, { "kind" => "hazard_lifted", **body }) && nil }
            at_bench(known_order(id), 1)
          end
        end
      end
    end
  end
end
