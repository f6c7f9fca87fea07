# frozen_string_literal: true

require_relative "../core/bench/log"
require_relative "../core/bench/turn"
require_relative "bench_lines"

module Gimlet
  module Present
    # An order at the bench: the card's lines with their ticks, and every turn of the wrench with what is asked and what was read.
    module BenchView
      module_function

      # @param order [Hash] as Store::Orders gives it
      # @param log [Core::Bench::Log]
      # @return [Hash] of the OpenAPI schema Bench
      def call(order, log)
        record = order[:record]
        { order_id: order[:id], last: log.last, pump: record["pump"].values_at("maker", "model").join(" "), unit: record["unit"],
          cautions: record["cautions"], sections: BenchLines.call(record).map { |one| section(one, log) }, refit: record["refit"],
          stacks: record["stacks"], tightening: record["tightening"].map { |one| fastener(one, log) } }
      end

      def section(one, log)
        { title: one[:title], afterwards: one[:afterwards], lines: one[:lines].map do |line|
          line.merge(boxes: line[:boxes].map { |box| box.merge(done: log.ticked?(box[:id])) })
        end }
      end

      def fastener(one, log)
        turns = one["walk"].each_with_index.map { |step, at| turn(one, step, at, log) }
        { id: one["fastener"], **%i[name count drive treatment text face points rounds].to_h { |key| [key, one[key.to_s]] }, turns: turns,
          at: turns.index { |step| !step[:done] } || turns.size }
      end

      def turn(one, step, at, log)
        asked = asked(one, step["round"])
        read = asked && log.reading(one["fastener"], at)
        verdict = read && asked.verdict(torque(read))
        allowed = asked&.band&.map { |limit| Core::Tightening::Words.torque(limit) }
        { point: step["point"], round: step["round"], item: item(one, at), allowed: allowed,
          verdict: verdict&.state, told: verdict&.text, by: read && read["by"], done: Core::Bench::Turn.done?(verdict, log.ticked?(item(one, at))) }
      end

      def item(one, at) = Core::Bench::Log.turn(one["fastener"], at)

      # @return [Core::Bench::AsTightened, nil] nil where no torque is asked for
      def asked(one, round)
        Core::Bench::Turn.asked(one["round_torques"].map { |row| row && torque(row) }, one["tolerance"] && torque(one["tolerance"]), round)
      end

      def torque(row) = Core::Quantity.of(row["value"], row["unit"])
    end
  end
end
