# frozen_string_literal: true

require_relative "../value"
require_relative "order"

module Gimlet::Core
  class Order
    # What an amendment changed, line by line, in words and money.
    #
    #   Changes.of(before, after).first # => Change(text: "3 × PW-K220 TK4 seal kit 20, one pump, was 2", cents: 6718)
    module Changes
      # `cents` are more, or less, to be paid before discount and tax; 0 for what costs nothing.
      Change = Value.of(:text, :cents)

      module_function

      # @param before [Hash] record of the version before
      # @param after [Hash] record
      # @return [Array<Change>]
      def of(before, after)
        goods(before, after) + words("work", before, after) { |record| record["work"]["areas"].map { |area| area["name"] } } +
          words("pump", before, after) { |record| [record["pump"].values_at("maker", "model", "serials").compact.join(" ")] } +
          words("tool", before, after) { |record| record["tools"].map { |tool| [tool["name"], tool["how"]].compact.join(", ") } }
      end

      def goods(before, after)
        was, is = [before, after].map { |record| record["parts"]["lines"].to_h { |line| [line["number"], line] } }
        (was.keys | is.keys).filter_map { |number| line(was[number], is[number]) }
      end

      def line(was, now)
        cents = (now&.fetch("total_cents") || 0) - (was&.fetch("total_cents") || 0)
        return if was && now && was["quantity"] == now["quantity"] && cents.zero?

        one = now || was
        counts = "#{now ? now['quantity'] : 0} × #{one['number']} #{one['name']}"
        Change.new(text: was ? "#{counts}, was #{was['quantity']}" : "#{counts}, new", cents: cents)
      end

      # What came in and what went out of a list.
      def words(name, before, after)
        was, is = yield(before), yield(after)
        (is - was).map { |text| Change.new(text: "#{name}: #{text}", cents: 0) } + (was - is).map do |text|
          Change.new(text: "#{name}: no #{text} any more", cents: 0)
        end
      end
    end
  end
end
