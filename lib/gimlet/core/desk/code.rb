# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Desk
    # What a scanner or a hand typed: a label of the shop, or a number. `kind` is "order", "tool" or "number".
    #
    #   Code.read(" order 7 ")                   # => kind "order", value "7"
    #   Code.read("http://127.0.0.1/orders/7")   # => the same: the card's own code
    #   Code.read("pw-4120").value               # => "PW-4120"
    Code = Value.of(:kind, :value)

    # Reading and writing them.
    class Code
      ORDER = %r{\A(?:https?://\S+/orders/|ORDER )(\d{1,15})(?:/\w+)?\z}i
      # What text programs make of a hyphen.
      DASHES = "\u2010-\u2015\u2212"
      TOOL = /\ATOOL (\S.{0,59})\z/i

      # @param text [String] as it came, whatever its capitals and spaces
      # @return [Code]
      def self.read(text)
        typed = text.tr(DASHES, "-").strip.squeeze(" ")
        return new(kind: "order", value: typed[ORDER, 1]) if typed.match?(ORDER)
        return new(kind: "tool", value: typed[TOOL, 1].upcase) if typed.match?(TOOL)

        new(kind: "number", value: typed.upcase)
      end

      # @return [String] what a label carries
      def to_s = kind == "number" ? value : "#{kind.upcase} #{value}"
    end
  end
end
