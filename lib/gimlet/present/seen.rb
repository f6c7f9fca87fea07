# frozen_string_literal: true

require "digest"
require "json"

module Gimlet
  module Present
    # What a specialist has before the eyes when an order is saved, as sentences: it is sent back with the order, and compared. A catalogue,
    # price or shelf that changed in between shows as sentences that differ.
    module Seen
      # What is told as one, by its digest.
      REST = %i[steps keep count_out stacks cautions refit consumables].freeze

      module_function

      # @param plan [Hash] as Plan.call makes it
      # @return [Array<String>]
      def call(plan)
        chosen = plan[:plans].first
        ["pump: #{plan[:maker]} #{plan[:model]} #{plan[:serial_range]}".strip, *chosen[:lines].map { |one| line(one) },
         *chosen[:unfilled].map { |one| "not supplied: #{one[:quantity]} × #{one[:part]}, #{one[:reason]}" },
         *plan[:tightening].map { |one| "#{one[:name]}: #{one[:rounds].join(', then ')} (#{one[:text]})" },
         *plan[:tools].map { |one| "tool: #{[one[:name], one[:number]].compact.join(' ')}" }, rest(plan)]
      end

      def line(one)
        pack = " packs of #{one[:pack]}" if one[:pack] > 1
        "#{one[:quantity]}#{pack} × #{one[:number]} #{one[:name]}, #{format('%.2f', one[:price_cents] / 100.0)}"
      end

      def rest(plan) = "steps, pieces and cautions (#{Digest::SHA256.hexdigest(JSON.generate(plan.slice(*REST)))[0, 8]})"

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
