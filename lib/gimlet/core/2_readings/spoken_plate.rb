# frozen_string_literal: true

module Gimlet
  module Core
    module Readings
      # A plate as it is read out: "something K, 4, then can't read, 20" becomes "*K4*20".
      # `?` stands for one character that cannot be read, `*` for any run of them.
      module SpokenPlate
        RUN = /\b(?:something|can'?t read(?: it| that)?|cannot read|unreadable|illegible|blank|gone|missing)\b/i
        FILLER = /\b(?:then|and|a|an|the|plate|reads|says|it|is|half|dash|space)\b/i
        ATOM = /\A(?:[a-z]{1,2}|\d{1,4}|[?*]+|(?=\S*[\d?*])[a-z\d?*-]{2,12})\z/i

        module_function

        # @param segments [Array<String>] what was said between commas
        # @return [Array(String, Array<String>)] the plate text (nil when none was read out) and the other segments
        def take(segments)
          first = segments.index { |one| one.match?(/\bplate\b/i) } || opening(segments)
          return [nil, segments] unless first

          run = segments.drop(first).take_while.with_index { |one, at| at.zero? || atoms?(one) }
          [text(run), segments.take(first) + segments.drop(first + run.size)]
        end

        def opening(segments)
          segments.index.with_index do |one, at|
            atoms?(one) && (one.match?(RUN) || (segments[at + 1] && atoms?(segments[at + 1])))
          end
        end

        def atoms?(segment)
          words = segment.gsub(RUN, " * ").gsub(FILLER, " ").split
          words.any? && words.all?(ATOM)
        end

        def text(segments)
          spoken = segments.join(" ").gsub(RUN, " * ").gsub(FILLER, " ").delete("()“”\":")
          plate = spoken.split.join.upcase.squeeze("*")
          plate unless plate.delete("*?-").empty?
        end
      end
    end
  end
end
