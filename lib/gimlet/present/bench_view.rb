# frozen_string_literal: true

require_relative "../core/6_tightening/words"
require_relative "../core/bench/turn"
require_relative "../core/order/lines"
require_relative "../core/order/turns"

module Gimlet
  module Present
    # An order at the bench: the card's lines with their ticks, and every turn of the wrench with what is asked and what was read.
    #
    #   BenchView.call(order, log)[:sections].first[:title] # => "On the bench: parts"
    module BenchView
      module_function

      # @param order [Core::Order]
      # @param log [Core::Bench::Log]
      # @return [Hash] of the OpenAPI schema Bench
      def call(order, log)
        record = order.record
        { order_id: order.id, last: log.last, pump: record["pump"].values_at("maker", "model").join(" "), unit: record["unit"],
          cautions: record["cautions"], sections: Core::Order::Lines.of(record).map { |section| section(section, log) }, refit: record["refit"],
          stacks: record["stacks"], tightening: record["tightening"].map { |fastener| fastener(fastener, log) } }
      end

      def section(section, log)
        { title: section.title, afterwards: section.afterwards, lines: section.lines.map do |line|
          { strong: line.strong, text: line.text, boxes: line.boxes.map { |box| box.to_h.merge(done: log.ticked?(box.id)) } }
        end }
      end

      def fastener(fastener, log)
        turns = Core::Order::Turns.of(fastener).each_with_index.map { |turn, at| turn(turn, log.reading(fastener["fastener"], at), log) }
        { id: fastener["fastener"], **%i[name count drive treatment text face points rounds].to_h { |key| [key, fastener[key.to_s]] },
          turns: turns, at: turns.index { |turn| !turn[:done] } || turns.size }
      end

      def turn(turn, reading, log)
        reading = nil unless turn.asked
        verdict = reading && turn.asked.verdict(Core::Order::Turns.torque(reading))
        { point: turn.point, round: turn.round, item: turn.item, allowed: turn.asked&.band&.map { |limit| Core::Tightening::Words.torque(limit) },
          verdict: verdict&.state, told: verdict&.text, by: reading && reading["by"],
          done: Core::Bench::Turn.done?(verdict, log.ticked?(turn.item)) }
      end
    end
  end
end
