# frozen_string_literal: true

module Gimlet
  module Counter
    # The same as last time: a ticket with customer, pump and work of an order, to be agreed. A ticket on which nothing was said but who calls
    # becomes it, so that none is left empty.
    #
    #   SameAgain.new(add_entry, tickets, pump).call(order, key: "a1", who: "Ines") # => the new ticket's id
    class SameAgain
      # Entries that say nothing of a pump.
      WHO_CALLS = %w[customer channel].freeze

      # @param add_entry [AddEntry]
      # @param tickets [Store::Tickets]
      # @param pump [Hash, nil] of Store::Pumps, the one that the order was for
      def initialize(add_entry, tickets, pump)
        @add_entry = add_entry
        @tickets = tickets
        @pump = pump
      end

      # @param order [Core::Order]
      # @param key [String] the same one is the same ticket
      # @param at_hand [Integer, nil] the ticket of the call
      # @return [Integer]
      def call(order, key:, who:, at_hand: nil)
        id = at_hand && untouched?(at_hand) ? at_hand : @tickets.open(key)
        entries(order).each_with_index do |(kind, body), at|
          @add_entry.call(id, { "kind" => kind, "key" => "#{key} #{at}", "who" => who, **body })
        end
        id
      end

      private

      def untouched?(id) = (@tickets.entries(id).map(&:kind) - WHO_CALLS).empty? && @tickets.known?(id)

      def entries(order)
        work = order.record["work"]
        [(["customer", { "customer_id" => order.customer_id }] if order.customer_id), answered("plate", order.record["pump"]["model"], order),
         *serial(order),
         ["work", { "areas" => work["areas"].map { |area| area["id"] }, "agreed" => false, "pumps" => work["pumps"] }]].compact
      end

      # What stands on file may be wrong: it counts as an old invoice does.
      def answered(trait, value, order)
        told = "as in order #{order.id}"
        ["answered",
         { "label" => "#{trait} #{value}, #{told}",
           "reading" => { "trait" => trait, "value" => value, "observer" => "old_invoice", "heard" => told } }]
      end

      def serial(order)
        read = @pump && @pump[:serial]
        read.to_s.match?(/\A\d+\z/) ? [answered("serial", read.to_i, order)] : []
      end
    end
  end
end
