# frozen_string_literal: true

require_relative "../core/0_quantities/quantity"
require_relative "../core/input_error"
require_relative "../core/order/lines"
require_relative "../core/order/turns"

module Gimlet
  module Counter
    # One thing done at the bench: a line ticked, what a torque wrench read, or what was found on a piece.
    #
    #   NoteAtBench.new(bench).call(order, "kind" => "ticked", "item" => "open 1.1", "done" => true, "key" => "b1")
    class NoteAtBench
      KINDS = { "ticked" => :ticked, "tightened" => :tightened, "found" => :found }.freeze

      # @param bench [Store::EntryLog]
      def initialize(bench)
        @bench = bench
      end

      # @param order [Core::Order]
      # @param request [Hash{String=>Object}] of the OpenAPI schema NewBenchEntry
      # @raise [Core::InputError] nothing was added
      def call(order, request)
        body = send(KINDS.fetch(request["kind"]), order, request)
        at = pump(order, request["pump"] || 1)
        @bench.append(order.id, kind: request["kind"], key: request["key"], who: request["who"] || "bench") do
          at == 1 ? body : body.merge("pump" => at)
        end
      end

      private

      def pump(order, at)
        pumps = order.record["work"]["pumps"]
        if at <= pumps
          at
        else
          reject("pump", "unknown_pump", "This order is for #{pumps} #{pumps == 1 ? 'pump' : 'pumps'}: there is no pump #{at}.")
        end
      end

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

      # A piece of a stack on the card, at one of its positions.
      def found(order, request)
        stack = order.record["stacks"].find { |one| one["layers"].any? { |layer| layer["slot"] == request["slot"] } } ||
                reject("slot", "unknown_slot", "There is no piece “#{request['slot']}” on this card.")
        position = request["position"]
        unless position.nil? || stack["positions"].include?(position)
          reject("position", "unknown_position", "#{stack['name']} is at #{stack['positions'].join(', ')}, not at “#{position}”.")
        end
        name = stack["layers"].find { |layer| layer["slot"] == request["slot"] }["name"]
        { "slot" => request["slot"], "position" => position, "outcome" => request["outcome"], "name" => name }
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
