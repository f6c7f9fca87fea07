# frozen_string_literal: true

require_relative "../value"

module Gimlet
  module Core
    class Doctor
      # `level` is "error" (an order would be wrong or incomplete: the document is refused) or "warning". `text` says what is wrong and how
      # to put it right.
      Remark = Value.of(:level, :place, :text) do
        def error? = level == "error"
      end

      # What a check says.
      module Saying
        private

        def error(place, text) = Remark.new(level: "error", place: place, text: text)
        def warning(place, text) = Remark.new(level: "warning", place: place, text: text)

        # @return [String] " Did you mean “x”?", or the whole of a short list
        def instead(wrong, known)
          near = known.min_by { |one| differing(wrong.to_s, one.to_s) }
          return "" unless near
          return " Did you mean “#{near}”?" if differing(wrong.to_s, near.to_s) <= 2

          known.size <= 12 ? " There is #{known.join(', ')}." : ""
        end

        # Letters that differ, counted from the left; enough to find a slip of the hand.
        def differing(one, two)
          (one.chars.tally.to_a - two.chars.tally.to_a).size + (one.size - two.size).abs
        end
      end
    end
  end
end
