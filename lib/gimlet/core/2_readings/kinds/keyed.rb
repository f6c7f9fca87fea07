# frozen_string_literal: true

require_relative "chosen"

module Gimlet::Core
  module Readings
    module Kinds
      # The key or socket that fits: "hex 6", "socket 22". A bare "22" is a size whose kind was not said.
      class Keyed < Chosen
        # A bare figure beyond that, behind a noun whose key goes across it, is the key's size: so many of them there never are.
        LARGEST_COUNT = 12

        def figure? = true
        def worded? = false
        def not_to_be_read?(_trait) = false
        def with_unit?(trait) = trait.across || false
        # "caps take a 22", "caps are 24"
        def bare?(trait, piece, behind:, taking:, **) = behind && (taking.call || (trait.across && piece.upper > LARGEST_COUNT))

        # "a socket, 13"
        def hear_apart(pieces)
          key, size = pieces.partition(&:key).map(&:first)
          { value: "#{key.key} #{size.figure.to_i}" } if key && key.size.nil? && size&.whole?
        end

        def hear(_trait, piece)
          return { value: "#{piece.key} #{piece.size}" } if piece.key && piece.size

          whole = piece.figure && piece.figure.denominator == 1 && !piece.alien
          { value: piece.figure.to_i.to_s } if whole && [nil, "mm"].include?(piece.unit) && !piece.key
        end

        private

        def same?(reading, value)
          said = reading.value.to_s
          said.match?(/\A\d+\z/) ? value.to_s[/\d+\z/] == said : super
        end
      end
    end
  end
end
