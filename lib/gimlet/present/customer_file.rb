# frozen_string_literal: true

require_relative "../core/desk/due"
require_relative "bench_summary"

module Gimlet
  module Present
    # All that the shop knows of a customer: who, their pumps with what each got and when it is due, their orders, the tools they have.
    #
    #   CustomerFile.call(customer, today: today, pumps: rows, due: {9 => reasons}, orders: orders, logs: {}, tools: [])[:pumps].first[:due]
    module CustomerFile
      module_function

      # @param today [Date]
      # @param pumps [Array<Hash>] of Store::Pumps
      # @param due [Hash{Integer=>Array<Core::Desk::Due::Reason>}] by pump
      # @param orders [Array<Array(Core::Order, Core::Order::Life, Integer)>] with where it stands, and the pump it is for
      # @param logs [Hash{Integer=>Core::Bench::Log}] by order
      # @param tools [Array<Core::Desk::Loan>] out with them
      # @return [Hash] of the OpenAPI schema CustomerFile
      def call(customer, today:, pumps:, due:, orders:, logs:, tools:)
        jobs = orders.map { |order, life, pump| { pump: pump, **job(order, life, logs.fetch(order.id)) } }
        { **customer.except(:tools, :pumps, :last), pumps: pumps.map { |row| pump(row, today, due, jobs) }, orders: jobs.map { |one| one.except(:pump) },
          tools: tools.map { |tool| { tag: tool.tag, name: tool.name, until: tool.until&.iso8601, order_id: tool.order_id } } }
      end

      def pump(row, today, due, jobs)
        { **row.slice(:id, :designation, :serial, :plate, :stands, :hours_per_week, :months, :due_by_hand, :due_on, :note, :gone, :rung_on),
          to_ring: !row[:gone] && Core::Desk::Due.to_ring?(row[:due_on], today), due: due.fetch(row[:id], []).map { |reason| { on: reason.on&.iso8601, text: reason.text } },
          orders: jobs.select { |one| one[:pump] == row[:id] }.map { |one| one[:id] } }
      end

      def job(order, life, log)
        record = order.record
        { id: order.id, at: order.created_at, state: life.state, model: record["pump"].values_at("model", "serials").compact.join(" "),
          work: record["work"]["areas"].map { |area| area["name"] }, found: record["work"]["found"],
          parts: record["parts"]["lines"].map { |line| "#{line['quantity']} × #{line['number']} #{line['name']}" },
          again: turned(record), torques: BenchSummary.call(order, log)&.fetch(:torques) || [] }
      end

      # What was turned over or reworked once and is new next time.
      def turned(record)
        record["keep"].select { |row| %w[turn rework].include?(row["fate"]) }.map { |row| "#{row['name']}: #{row['to_do']}" }
      end
    end
  end
end
