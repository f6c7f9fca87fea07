# frozen_string_literal: true

require_relative "bench_view"

module Gimlet
  module Present
    # How far an order is at the bench, and what torques were reached, on every pump of it.
    #
    #   BenchSummary.call(order, entries)[:torques].first # => {name: "head bolts", reached: ["25.1 N·m"], flagged: [], ...}
    module BenchSummary
      module_function

      # @param entries [Array<Core::Entry>] of its bench
      # @return [Hash, nil] of the OpenAPI schema BenchSummary; nil where nothing was noted yet
      def call(order, entries)
        return if entries.empty?

        pumps = (1..order.record["work"]["pumps"]).map { |at| [at, Core::Bench::Log.of(entries, at)] }
        boxes = pumps.flat_map { |_, log| BenchView.done(order, log) }
        { done: boxes.count(true), of: boxes.size, torques: pumps.flat_map { |at, log| torques(order, log, pumps.size > 1 ? at : nil) } }
      end

      def torques(order, log, pump)
        order.record["tightening"].filter_map { |kept| torque(kept, BenchView.fastener(kept, log), log, pump) }
      end

      def torque(kept, fastener, log, pump)
        entries = kept["walk"].each_index.filter_map { |at| log.reading(kept["fastener"], at) && log.all(kept["fastener"], at).last }
        return if entries.empty?

        out = fastener[:turns].select { |turn| turn[:told] && turn[:verdict] != "inside" }.map { |turn| turn[:told] }
        { name: [kept["name"], pump && "pump #{pump}"].compact.join(", "), who: entries.map(&:who).uniq, on: entries.last.at.to_date.iso8601,
          reached: entries.map { |entry| Core::Tightening::Words.torque(Core::Order::Turns.torque(entry.body)) },
          flagged: (out + fastener[:over]).uniq }
      end
    end
  end
end
