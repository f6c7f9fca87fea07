# frozen_string_literal: true

require_relative "../../common_ends"
require_relative "plate_match"

module Gimlet::Core
  module Readings
    # Which designations share most glyphs with a plate, at about the same place from either end.
    #
    # A set of designations is one large Integer with a bit for each place; counting how many glyphs every designation
    # shares is then adding sets bit by bit, all designations at once.
    class GlyphFilter
      # A glyph one place off still counts: one before it may have been lost.
      SHIFTS = [-1, 0, 1].freeze

      # @return [Array<String>] by place
      attr_reader :names

      # @param names [Array<String>] plain, by place
      # @param before [GlyphFilter, nil] one of nearly the same names: only what differs is gone through
      def initialize(names, before = nil)
        @names = names
        head, tail = before ? CommonEnds.of(before.names, names) : [0, 0]
        between = names[head...(names.size - tail)]
        fresh = [sets(between) { |_, at| at }, sets(between) { |name, at| name.size - 1 - at },
                 bits(between.size) { |mark, place| mark_anywhere(between[place], place, mark) }]
        fresh = fresh.zip(before.tables).map { |new, old| spliced(old, new, before.names.size, between.size, head, tail) } if before
        @from_left, @from_right, @anywhere = fresh
        @near = {}
      end

      def tables = [@from_left, @from_right, @anywhere]

      # @param glyphs [Array<String>] as read; `*` is any run of glyphs
      # @param margin [Integer] how far below the best count, two for a glyph and one for a lookalike
      # @param enough [Integer] with this many found, lower counts are not looked at
      # @return [Array<Integer>] places, the most shared glyphs first
      def best(glyphs, margin:, enough:)
        return top(run_count(glyphs), margin, enough) if glyphs.include?("*")

        [count(glyphs, @from_left), count(glyphs.reverse, @from_right)]
          .flat_map { |digits| top(digits, margin, enough) }.uniq
      end

      private

      # Old places, with those in between put in their place.
      def spliced(old, new, size, between, head, tail)
        (old.keys | new.keys).each_with_object(Hash.new(0)) do |key, all|
          set = old[key]
          kept = (set & ((1 << head) - 1)) | (new[key] << head) | ((set >> (size - tail)) << (head + between))
          all[key] = kept unless kept.zero?
        end
      end

      # With runs missing only what stands before the first counts from the left and what stands after the last from the right; every
      # readable glyph, and every two in a row, count wherever they are.
      def run_count(glyphs)
        digits = count(glyphs.take_while { |glyph| glyph != "*" }, @from_left)
        count(glyphs.reverse.take_while { |glyph| glyph != "*" }, @from_right, digits)
        glyphs.each { |glyph| add(digits, @anywhere[glyph]) unless "?*".include?(glyph) }
        glyphs.each_cons(2) { |pair| add(digits, @anywhere[pair.join]) }
        digits
      end

      # { [distance from that end, letter] => set }
      def sets(names)
        bits(names.size) do |mark, place|
          names[place].each_char.with_index { |letter, at| mark.call([yield(names[place], at), letter], place) }
        end
      end

      def mark_anywhere(name, place, mark)
        name.each_char { |letter| mark.call(letter, place) }
        name.each_char.each_cons(2) { |pair| mark.call(pair.join, place) }
      end

      # @yield [mark, place] for every place; `mark` puts a place into the set of a key
      # @return [Hash{Object=>Integer}]
      def bits(size)
        bytes = Hash.new { |all, key| all[key] = "\0".b * ((size / 8) + 1) }
        mark = lambda do |key, place|
          row = bytes[key]
          row.setbyte(place / 8, row.getbyte(place / 8) | (1 << (place % 8)))
        end
        size.times { |place| yield(mark, place) }
        bytes.transform_values { |row| row.reverse.unpack1("H*").hex }.tap { |sets| sets.default = 0 }
      end

      # Bit-sliced counters: the n-th Integer holds the n-th binary digit of every designation's count.
      def count(glyphs, table, digits = [])
        glyphs.each_with_index do |glyph, at|
          next if glyph == "?"

          near(table, at, glyph).each { |set| add(digits, set) }
        end
        digits
      end

      def add(digits, carry)
        at = 0
        until carry.zero?
          digit = digits[at] || 0
          digits[at] = digit ^ carry
          carry &= digit
          at += 1
        end
      end

      # Designations with this very glyph near here, and those with it or a lookalike.
      def near(table, at, glyph)
        @near[[table.equal?(@from_left), at, glyph]] ||= begin
          alike = [glyph, *PlateMatch::ALIKE_PAIRS.fetch(glyph, {}).keys]
          [around(table, at, [glyph]), around(table, at, alike)]
        end
      end

      def around(table, at, letters)
        SHIFTS.product(letters).reduce(0) { |set, (shift, letter)| set | table[[at + shift, letter]] }
      end

      def top(digits, margin, enough)
        highest = digits.each_index.reverse_each.reduce([-1, 0]) do |(set, value), at|
          higher = set & digits[at]
          higher.zero? ? [set, value] : [higher, value | (1 << at)]
        end.last
        (0..[margin, highest - 1].min).reduce([]) do |found, below|
          found.size >= enough ? found : found + places(exactly(digits, highest - below))
        end
      end

      def exactly(digits, value)
        digits.each_with_index.reduce(-1) { |set, (digit, at)| value[at] == 1 ? set & digit : set & ~digit }
      end

      def places(set)
        bits = set.to_s(2)
        found, at = [], -1
        found << (bits.size - 1 - at) while (at = bits.index("1", at + 1))
        found
      end
    end
  end
end
