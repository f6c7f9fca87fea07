# frozen_string_literal: true

require_relative "../../present/bench_view"

module Gimlet
  module API
    module Routes
      # An order at the bench: the card on a tablet.
      module Bench
        # What routes here need besides the application's own.
        module Helpers
          def at_bench(order) = answer(Present::BenchView.call(order, Core::Bench::Log.of(bench.of(order.id))))
        end

        def self.registered(app)
          app.helpers Helpers
          app.serve("bench") { |id| at_bench(known_order(id)) }

          app.serve("noteAtBench") do |id|
            order = known_order(id)
            note_at_bench.call(order, body_as("NewBenchEntry"))
            at_bench(order)
          end
        end
      end
    end
  end
end
