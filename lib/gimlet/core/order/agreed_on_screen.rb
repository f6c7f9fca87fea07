# frozen_string_literal: true

require "digest"
require_relative "../0_quantities/money"
require_relative "order"

module Gimlet::Core
  class Order
    # What a specialist has before the eyes when an order is saved, as sentences: it is sent back with the order, and compared. A catalogue,
    # price or shelf that changed in between shows as sentences that differ.
    #
    #   AgreedOnScreen.changes(["2 × PW-1 seal, 4.00"], ["2 × PW-1 seal, 4.50"]) # => [{ was: "2 × PW-1 seal, 4.00", is: "2 × PW-1 seal, 4.50" }]
    module AgreedOnScreen
      # What is told as one, by its digest.
      REST = %i[steps keep count_out cautions refit consumables].freeze

      module_function

      # @param plan [Hash] as the screen has it (Present::Plan)
      # @return [Array<String>]
      def of(plan)
        chosen = plan[:plans].first
        ["pump: #{plan[:maker]} #{plan[:model]} #{plan[:serial_range]}".strip, *chosen[:lines].map { |line| line(line) },
         *chosen[:unfilled].map { |line| "not supplied: #{line[:quantity]} × #{line[:part]}, #{line[:reason]}" },
         *plan[:tightening].map { |fastener| "#{fastener[:name]}: #{fastener[:rounds].join(', then ')} (#{fastener[:text]})" },
         *plan[:tools].map { |tool| "tool: #{[tool[:name], tool[:number]].compact.join(' ')}" }, rest(plan)]
      end

      def line(line)
        pack = " packs of #{line[:pack]}" if line[:pack] > 1
        # How many of them is for the shelf to say when it is saved: pieces are taken meanwhile by others.
        to_come = line[:short] < line[:quantity] ? ", a part of it to come" : ", to come" if line[:short].positive?
        "#{line[:quantity]}#{pack} × #{line[:number]} #{line[:name]}, #{Money.plain(line[:price_cents])}#{to_come}"
      end

      # Drawings follow from the pieces.
      def rest(plan)
        whole = [plan.slice(*REST), plan[:stacks].map { |stack| stack.except(:drawing) }]
        "steps, pieces and cautions (#{Digest::SHA256.hexdigest(whole.inspect)[0, 8]})"
      end

      # @param before [Array<String>] as it was sent back
      # @param now [Array<String>]
      # @return [Array<Hash>] { was:, is: } of what differs, either nil where the other side has nothing of the kind
      def changes(before, now)
        gone, fresh = before - now, now - before
        pairs = gone.map { |was| { was: was, is: fresh.find { |is| about(is) == about(was) } } }
        pairs + (fresh - pairs.map { |pair| pair[:is] }).map { |is| { was: nil, is: is } }
      end

      # What a sentence is about: the number of its part, or what stands before its colon.
      def about(sentence) = sentence[/× (\S+)/, 1] || sentence[/\A[^:(]*/]
    end
  end
end
