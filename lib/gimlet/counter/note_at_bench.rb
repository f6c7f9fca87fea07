# frozen_string_literal: true

require_relative "../core/0_quantities/quantity"
require_relative "../core/input_error"
require_relative "../core/order/lines"
require_relative "../core/order/turns"

module Gimlet
  module Counter
    # One thing done at the bench: a line ticked, or what a torque wrench read.
    #
    #   NoteAtBench.new(bench).call(order, "kind" => "ticked", "item" => "open 1.1", "done" => true, "key" => "b1")
    class NoteAtBench
      # @param bench [Store::EntryLog]
      def initialize(bench)
        @bench = bench
      end

      # @param order [Core::Order]
      # @param request [Hash{String=>Object}] of the OpenAPI schema NewBenchEntry
      # @raise [Core::InputError] nothing was added
      def call(order, request)
        body = request["kind"] == "ticked" ? ticked(order, request) : tightened(order, request)
        @bench.append(order.id, kind: request["kind"], key: request["key"], who: request["who"] || "bench") { body }
      end

      private

      def ticked(order, request)
        known = lines(order.record) + turns(order.record)
        return request.slice("item", "done") if known.include?(request["item"])

        reject("item", "unknown_item", "“#{request['item']}” is no line of this card.")
      end

      def lines(record) = Core::Order::Lines.of(record).flat_map(&:lines).flat_map(&:boxes).map(&:id)
      def turns(record) = record["tightening"].flat_map { |fastener| Core::Order::Turns.of(fastener) }.map(&:item)

      # A number alone is in the customer's unit; a device sends its own.
      def tightened(order, request)
        fastener = order.record["tightening"].find { |row| row["fastener"] == request["fastener"] } ||
                   reject("fastener", "unknown_fastener", "There is no “#{request['fastener']}” on this card.")
        turn = Core::Order::Turns.of(fastener)[request["turn"]] ||
               reject("turn", "unknown_turn", "“#{fastener['name']}” has #{fastener['walk'].size} turns, from 0.")
        turn.asked || reject("turn", "no_torque", "No torque is asked for at this turn: tick it instead.")
        quantity = torque(request["reading"], order.record["unit"])
        { "fastener" => fastener["fastener"], "turn" => request["turn"], "value" => quantity.value.to_f, "unit" => quantity.unit,
          "by" => request["by"] }
      end

      def torque(text, unit)
        quantity = Core::Quantity.parse(text, default_unit: unit, field: "reading")
        return quantity if quantity.kind == :torque

        reject("reading", "not_a_torque", "“#{text}” is no torque: read it in #{Core::Units::FACTORS.fetch(:torque).keys.join(', ')}.")
      end

      def reject(...) = Core::InputError.reject(...)
    end
  end
end
