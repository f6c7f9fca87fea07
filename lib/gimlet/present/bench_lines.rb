# frozen_string_literal: true

module Gimlet
  module Present
    # The lines of a card that are ticked at the bench, in the order of the work. Each has an `id` that stays what it is, as the record does.
    #
    #   { title: "Take apart", lines: [{ strong: "Manifold", text: "Loosen ...", boxes: [{ id: "open 1.1", label: nil }] }] }
    class BenchLines
      # One box for the whole line.
      DONE = [nil].freeze
      # What comes when everything is tight.
      AFTERWARDS = "finish"

      # @param record [Hash] of an order, of the present version
      # @return [Array<Hash>]
      def self.call(record) = new(record).call

      def initialize(record)
        @record = record
      end

      def call
        [section("On the bench: parts", "part", parts), section("On the bench: tools", "tool", tools),
         section("Take apart", "open", steps("open")), section("Count out of the bores", "out", count_out),
         section("Look over", "look", looked_over), section("These go back in", "back", put_back), section("Renew", "renew", steps("renew")),
         section("Close", "close", steps("close")), section("Start again", AFTERWARDS, steps("finish") + steps("after running"))]
          .reject { |one| one[:lines].empty? }
      end

      private

      # @param lines [Array<Array(String, String, Array<String>)>] strong, text, and what each box is for
      def section(title, key, lines)
        { title: title, afterwards: key == AFTERWARDS, lines: lines.map.with_index(1) do |(strong, text, labels), at|
          { strong: strong, text: text, boxes: labels.map.with_index(1) { |label, box| { id: "#{key} #{at}.#{box}", label: label } } }
        end }
      end

      def parts
        @record["parts"]["lines"].map do |one|
          pack = " pack#{'s' if one['quantity'] > 1} of #{one['pack']}" if one["pack"] > 1
          ["#{one['quantity']}#{pack} × #{one['number']}", one["name"], DONE]
        end
      end

      def tools = @record["tools"].map { |one| [one["name"], one["why"], DONE] }
      def steps(phase) = @record["steps"].select { |one| one["phase"] == phase }.map { |one| [one["title"], one["text"].join(" "), DONE] }

      def count_out
        @record["count_out"].group_by { |one| one["pieces"] }.map { |pieces, same| [pieces.join(", "), "", same.map { |one| one["position"] }] }
      end

      def looked_over = kept { |one| one["look"].any? }.map { |one| [one["name"], "#{one['to_do']}. #{one['look'].join('; ')}.", places(one)] }
      def put_back = kept { |one| one["look"].empty? }.map { |one| [one["name"], one["to_do"], places(one)] }
      def kept(&) = @record["keep"].select(&)
      def places(one) = one["positions"] || [one["where"]]
    end
  end
end
