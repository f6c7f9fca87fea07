# frozen_string_literal: true

require_relative "chosen"

module Gimlet::Core
  module Readings
    module Kinds
      # A pipe thread: "G 1/2", "NPT 3/8". A bare "1/2" is a size whose standard was not said.
      class Threaded < Chosen
        def worded? = false
        def not_to_be_read?(_trait) = false
        def alone?(piece) = !piece.thread.nil? && !piece.figure.nil?
        def bare?(_trait, piece, **) = !piece.inches.nil?

        def hear(_trait, piece)
          return { value: "#{piece.thread} #{size(piece.inches)}" } if piece.thread && piece.inches

          { value: size(piece.inches) } if piece.inches
        end

        private

        # 5/4 is said as 1 1/4.
        def size(inches)
          whole, rest = inches.divmod(1)
          [whole.zero? ? nil : whole, rest.zero? ? nil : rest].compact.join(" ")
        end

        def same?(reading, value)
          said = reading.value.to_s
          said.match?(/\A\d/) ? value.to_s.sub(/\A\D+/, "") == said : super
        end
      end
    end
  end
end
