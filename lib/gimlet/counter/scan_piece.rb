# frozen_string_literal: true

require_relative "../core/desk/code"
require_relative "../core/input_error"
require_relative "../core/order/wrong_piece"
require_relative "../core/value"

module Gimlet
  module Counter
    # One piece in somebody's hand, held against an order that is picked or checked.
    #
    #   ScanPiece.new(step_order, lives, snapshot).call(7, "code" => "PW-4218", "doing" => "pick", "key" => "s1").taken # => false
    class ScanPiece
      # `said` tells what it was, and where it is not wanted why.
      Scanned = Core::Value.of(:taken, :said)
      DONE = { "pick" => "into the bag", "check" => "checked" }.freeze

      # @param step [StepOrder]
      # @param lives [Store::Lives]
      # @param snapshot [Core::Catalogue::Snapshot] of today
      def initialize(step, lives, snapshot)
        @step = step
        @lives = lives
        @snapshot = snapshot
      end

      # @param id [Integer] of an order that there is
      # @param request [Hash{String=>Object}] of the OpenAPI schema NewScan
      # @return [Scanned]
      # @raise [Core::InputError] when the order is not picked or checked now
      def call(id, request)
        code = Core::Desk::Code.read(request["code"])
        life = @lives.of(id)
        Core::Order::Steps.check(request["doing"], life) unless %w[picked checked].include?(life.state)
        return no(label(code, id)) unless code.kind == "number"
        return no(Core::Order::WrongPiece.new(@snapshot, life.goods).reason(code.value)) unless life.good(code.value)

        move(id, code.value, request)
      end

      private

      def move(id, number, request)
        @step.call(id, { "kind" => request["doing"], "number" => number, "quantity" => 1, **request.slice("key", "who") })
        good = @lives.of(id).good(number)
        count = request["doing"] == "pick" ? good.bagged + good.handed : good.checked
        Scanned.new(taken: true, said: "#{number}, #{good.name}: #{DONE.fetch(request['doing'])}, #{count} of #{good.wanted}.")
      rescue Core::InputError => e
        no(e.message)
      end

      def label(code, id)
        return "That is the label of a tool: tools are lent below." if code.kind == "tool"

        code.value.to_i == id ? "That is this order's own label: scan its pieces." : "That is the label of order #{code.value}; this is order #{id}."
      end

      def no(said) = Scanned.new(taken: false, said: said)
    end
  end
end
