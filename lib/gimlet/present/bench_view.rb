# frozen_string_literal: true

require_relative "../core/6_tightening/words"
require_relative "../core/bench/turn"
require_relative "../core/order/lines"
require_relative "../core/order/moments"
require_relative "../core/order/turns"

module Gimlet
  module Present
    # An order at the bench, one pump at a time: the card's lines with their ticks and drawings, and every turn of the wrench with what is asked and
    # what was read.
    #
    #   BenchView.call(order, entries, found: found, places: places)[:moments].first[:title] # => "On the bench: parts"
    module BenchView
      module_function

      # @param order [Core::Order]
      # @param entries [Array<Core::Entry>] of its bench
      # @param at [Integer] which pump, from 1
      # @param found [Hash] of Counter::FoundAtBench
      # @param places [Hash] of Places: how each place of the work is filled
      # @return [Hash] of the OpenAPI schema Bench
      def call(order, entries, found:, places:, at: 1)
        record, log = order.record, Core::Bench::Log.of(entries, at)
        fasteners = record["tightening"].map { |one| fastener(one, log) }
        { order_id: order.id, last: log.last, pump: record["pump"].values_at("maker", "model").join(" "), unit: record["unit"],
          pumps: pumps(order, entries), at_pump: at, stops: record["stops"], outside: record["outside"],
          moments: moments(record, log, fasteners), refit: record["refit"], stacks: record["stacks"], tightening: fasteners, found: found,
          places: places }
      end

      # How far each pump of the order is.
      def pumps(order, entries)
        (1..order.record["work"]["pumps"]).map do |at|
          boxes = done(order, Core::Bench::Log.of(entries, at))
          { pump: at, done: boxes.count(true), of: boxes.size }
        end
      end

      # @return [Array<Boolean>] of every box and turn
      def done(order, log)
        boxes = Core::Order::Lines.of(order.record).flat_map(&:lines).flat_map(&:boxes).map { |box| log.ticked?(box.id) }
        boxes + order.record["tightening"].flat_map { |one| fastener(one, log)[:turns].map { |turn| turn[:done] } }
      end

      # What is only looked at is done with what comes before it.
      def moments(record, log, fasteners)
        done = false
        Core::Order::Moments.of(record).map do |moment|
          own = boxes(moment, log, fasteners)
          done = own.all? unless own.empty?
          { **moment.to_h, lines: moment.lines.map { |line| line(line, log) }, done: done }
        end
      end

      # @return [Array<Boolean>] whether each box is ticked and each fastener tight
      def boxes(moment, log, fasteners)
        moment.lines.flat_map(&:boxes).map { |box| log.ticked?(box.id) } +
          fasteners.select { |one| moment.fasteners.include?(one[:id]) }.map { |one| one[:turns].all? { |turn| turn[:done] } }
      end

      def line(line, log) = { **line.to_h, boxes: line.boxes.map { |box| box.to_h.merge(done: log.ticked?(box.id)) } }

      def fastener(fastener, log)
        turns = Core::Order::Turns.of(fastener).each_with_index.map { |turn, at| turn(turn, log.reading(fastener["fastener"], at), log) }
        { id: fastener["fastener"], **%i[name count drive treatment text face points rounds].to_h { |key| [key, fastener[key.to_s]] },
          turns: turns, at: turns.index { |turn| !turn[:done] } || turns.size, over: over(fastener, log) }
      end

      def turn(turn, reading, log)
        reading = nil unless turn.asked
        verdict = reading && verdict(turn, reading)
        { point: turn.point, round: turn.round, item: turn.item, allowed: turn.asked&.band&.map { |limit| Core::Tightening::Words.torque(limit) },
          verdict: verdict&.state, told: verdict&.text, by: reading && reading["by"],
          done: Core::Bench::Turn.done?(verdict, log.ticked?(turn.item)) }
      end

      def verdict(turn, reading) = turn.asked.verdict(Core::Order::Turns.torque(reading))

      # What was tightened too far, also where it was put right since: the thread has borne it.
      def over(fastener, log)
        Core::Order::Turns.of(fastener).each_with_index.flat_map do |turn, at|
          next [] unless turn.asked

          log.all(fastener["fastener"], at).select { |entry| verdict(turn, entry.body).state == "over" }
             .map { |entry| "#{bolt(fastener, turn)}: #{Core::Tightening::Words.torque(Core::Order::Turns.torque(entry.body))} was over: look at its thread, and say so when it is handed back." }
        end
      end

      # @return [String] "bolt 3, round 2"
      def bolt(fastener, turn)
        point = fastener["points"][turn.point]
        "bolt #{point['order'] || point['label']}, round #{turn.round + 1}"
      end
    end
  end
end
