# frozen_string_literal: true

require_relative "../core/desk/due"
require_relative "../core/value"
require_relative "bench_summary"

module Gimlet
  module Present
    # All that the shop knows of a customer: who, their pumps with what each got and when it is due, their orders, the tools they have.
    #
    #   CustomerFile.new(customer, today: today, jobs: jobs, tools: []).call([[row, reasons]])[:pumps].first[:due]
    class CustomerFile
      # An order of theirs: where it stands, the pump that it is for (its id), what was done at the bench.
      Job = Core::Value.of(:order, :life, :pump, :bench)
      SHOWN = %i[id designation serial plate stands hours_per_week months due_by_hand due_on note gone rung_on ring_after rung_said].freeze

      # @param customer [Hash] of Store::Customers
      # @param today [Date]
      # @param jobs [Array<Job>] the last first
      # @param tools [Array<Core::Desk::Loan>] out with them
      def initialize(customer, today:, jobs:, tools:)
        @customer = customer
        @today = today
        @jobs = jobs
        @tools = tools
      end

      # @param pumps [Array<Array(Hash, Array<Core::Desk::Due::Reason>)>] of Store::Pumps, and why each is due
      # @return [Hash] of the OpenAPI schema CustomerFile
      def call(pumps)
        { **@customer.except(:tools, :pumps, :last), pumps: pumps.map { |row, due| pump(row, due) }, orders: @jobs.map { |one| job(one) },
                                                     tools: @tools.map do |tool|
                                                       { tag: tool.tag, name: tool.name, until: tool.until&.iso8601, order_id: tool.order_id }
                                                     end }
      end

      private

      def pump(row, due)
        reasons = due.map { |reason| { on: reason.on&.iso8601, text: reason.text } }
        { **row.slice(*SHOWN), to_ring: !row[:gone] && Core::Desk::Due.to_ring?(row[:due_on], @today), due: reasons,
                               orders: @jobs.select { |one| one.pump == row[:id] }.map { |one| one.order.id } }
      end

      def job(job)
        record = job.order.record
        { id: job.order.id, at: job.order.created_at, state: job.life.state, model: record["pump"].values_at("model", "serials").compact.join(" "),
          work: record["work"]["areas"].map { |area| area["name"] }, found: record["work"]["found"],
          parts: record["parts"]["lines"].map { |line| "#{line['quantity']} × #{line['number']} #{line['name']}" },
          again: turned(record), torques: BenchSummary.call(job.order, job.bench)&.fetch(:torques) || [] }
      end

      # What was turned over or reworked once and is new next time.
      def turned(record)
        record["keep"].select { |row| %w[turn rework].include?(row["fate"]) }.map { |row| "#{row['name']}: #{row['to_do']}" }
      end
    end
  end
end
