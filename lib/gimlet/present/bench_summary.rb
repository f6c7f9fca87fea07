# frozen_string_literal: true

require_relative "bench_view"

module Gimlet
  module Present
    # How far an order is at the bench, and what torques were reached.
    #
    #   BenchSummary.call(order, log)[:torques].first # => {name: "head bolts", reached: ["25.1 N·m"], flagged: []}
    module BenchSummary
      module_function

      # @return [Hash, nil] of the OpenAPI schema BenchSummary; nil where nothing was noted yet
      def call(order, log)
        return if log.last.zero?

        view = BenchView.call(order, log)
        boxes = view[:sections].flat_map { |section| section[:lines] }.flat_map { |line| line[:boxes] }
        turns = view[:tightening].flat_map { |fastener| fastener[:turns] }
        { done: (boxes + turns).count { |one| one[:done] }, of: (boxes + turns).size,
          torques: view[:tightening].filter_map { |fastener| torques(order, fastener, log) } }
      end

      def torques(order, fastener, log)
        read = fastener[:turns].select { |turn| turn[:told] }
        return if read.empty?

        kept = order.record["tightening"].find { |row| row["fastener"] == fastener[:id] }
        reached = kept["walk"].each_index.filter_map { |at| log.reading(fastener[:id], at) }
        { name: fastener[:name], reached: reached.map { |row| Core::Tightening::Words.torque(Core::Order::Turns.torque(row)) },
          flagged: read.reject { |turn| turn[:verdict] == "inside" }.map { |turn| turn[:told] } }
      end
    end
  end
end
