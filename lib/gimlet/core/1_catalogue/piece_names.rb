# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Catalogue
    # The pieces of one stack, as sentences name them: by their whole name or the end of it, where no other piece of the stack is called so.
    #
    #   PieceNames.new(stack).in("Support ring, groove to the seal; seal, lips in").map(&:words) # => [", groove to the ", "", ", lips in"]
    class PieceNames
      # Layer `at` of `stack`, named from character `from` on, `size` long; `words` follow, up to the next piece. `aside` where it is named for
      # another's sake: "groove to the seal".
      Named = Value.of(:stack, :at, :from, :size, :words, :aside) do
        def layer = stack.layers[at]
        def covers?(place) = place.between?(from, from + size - 1)
      end

      ASIDE = /\b(?:to|on|under|of|with|into|over|behind|against|in|round|after|below|above|facing|before)(?: (?:the|its|a|new|a new))?\s\z/
      # "Seal side in", "cage up": a side of the piece named before, no piece.
      A_SIDE = /(?: (?:side|end|face|top)\b|(?<=cage|seat|o-ring) (?:faces )?(?:in|out|up|down)\b)/

      IN_A_WORD = /[\w-]/
      # One or several of it, and no side of another.
      END_OF_NAME = /\Gs?(?![\w-])(?!#{A_SIDE})/

      # @param stack [Stack]
      def initialize(stack)
        @stack = stack
        @called = called
      end

      attr_reader :stack

      # @param text [String]
      # @return [Array<Named>] in the order in which they stand
      def in(text)
        spoken = text.downcase
        found = places(spoken).map { |from, size, at| [from, size, at, spoken[0...from].match?(ASIDE)] }
        found.each_with_index.map do |(from, size, at, aside), index|
          stop = found.drop(index + 1).find { |other| !other.last }&.first || text.size
          Named.new(stack: @stack, at: at, from: from, size: size, words: text[(from + size)...stop], aside: aside)
        end
      end

      private

      # The longest names first, each stretch of the text once.
      def places(spoken)
        rest = spoken.dup
        there = @called.select { |name| spoken.include?(name.first) }
        there.flat_map { |words, at| taken(rest, words).map { |from| [from, words.size, at] } }.sort
      end

      # @return [Array<Integer>] where these words stand; they are struck out of the text
      def taken(rest, words)
        found = []
        from = -1
        while (from = rest.index(words, from + 1))
          next unless whole?(rest, from, from + words.size)

          rest[from, words.size] = "·" * words.size
          found << from
        end
        found
      end

      def whole?(text, from, stop) = (from.zero? || !text[from - 1].match?(IN_A_WORD)) && text.match?(END_OF_NAME, stop)

      # @return [Array<Array(String, Integer)>] what each layer may be called, longest first
      def called
        names = @stack.layers.each_with_index.flat_map { |layer, at| endings(layer.name).map { |words| [words, at] } }
        lone = names.group_by(&:first).filter_map { |words, same| [words, same.first.last] if same.map(&:last).uniq.size == 1 }.to_h
        lone.merge(@stack.layers.each_with_index.to_h { |layer, at| [plain(layer.name), at] }).sort_by { |words, _| -words.size }
      end

      def endings(name)
        words = plain(name).split
        words.each_index.map { |from| words.drop(from).join(" ") }
      end

      def plain(name) = name.downcase.delete(",")
    end
  end
end
