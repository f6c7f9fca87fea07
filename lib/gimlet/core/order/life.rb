# frozen_string_literal: true

require_relative "../value"
require_relative "goods"
require_relative "states"
require_relative "total"

module Gimlet::Core
  class Order
    # Where an order stands: its `stage`, which steps set, and its goods, which the ledger moves. `loans` are Desk::Loan: tools promised to it,
    # or out. `done` are its steps so far, as entries; `who` acts now, nil where nobody says; `discount` is
    # in percent.
    #
    #   Life.new(stage: "open", goods: goods).state # => "waiting"
    Life = Value.of(:id, :stage, :goods, :loans, :valid_until, :today, :done, :who, :discount) do
      # @return [String] one of States
      def state
        return stage unless stage == "open"
        return "waiting" if goods.any? { |good| good.short.positive? }
        return "ordered" if goods.any? { |good| good.open.positive? }

        goods.all? { |good| good.checked == good.bagged } ? "checked" : "picked"
      end

      def good(number) = goods.find { |one| one.number == number }
      def bagged? = goods.any? { |good| good.bagged.positive? }
      def unchecked? = goods.any? { |good| good.checked < good.bagged }

      # @return [Array<Good>] as they stand: of a cancelled order nothing is wanted but what the customer keeps
      def standing
        stage == "cancelled" ? goods.map { |good| good.with(wanted: good.handed, along: 0) } : goods
      end

      # @param discount [String] percent
      # @param tax [String] percent
      # @return [Total] what is to be paid as it stands
      def total(discount, tax)
        Total.of(standing.map { |good| [good.charged(over: stage == "closed"), good.price_cents] }, discount: discount, tax: tax)
      end

      # @return [Entry, nil] the step that was taken last
      def last = done&.last

      # @return [Boolean] whether who acts put a piece of this number into the bag
      def own_pick?(number)
        (done || []).any? { |step| step.kind == "pick" && step.who == who && step.body["number"] == number }
      end

      # @return [Boolean] whether who acts has said why nobody else checks
      def checks_alone? = (done || []).any? { |step| step.kind == "check_alone" && step.who == who }

      # A quote is printed with quotes; what was cancelled is on no paper but its own.
      # @param other [Life] of another order of the same call
      # @return [Boolean] whether it stands on this one's paper
      def same_paper?(other) = other.stage != "cancelled" && (other.stage == "quoted") == (stage == "quoted")

      def all_out? = goods.all? { |good| good.handed == good.wanted }
    end
  end
end
