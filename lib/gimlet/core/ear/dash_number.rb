# frozen_string_literal: true

require_relative "number_words"

module Gimlet
  module Core
    module Ear
      # Dash numbers of standard rings as they are typed or said: "dash 210", "an oh-sixteen", "four one-sixteens", "a two-ten ring". A hundred alone
      # says nothing without an s or a ring.
      module DashNumber
        DIGITS = /\b(?:dash|as ?568)[ -]*(?:number\s*)?(\d{3})\b/i
        ONES, TEENS = NumberWords::UNITS.reject { |_, value| value.zero? }.partition { |_, value| value < 10 }.map(&:to_h)
        TENS = NumberWords::TENS
        TWO = /(?:(#{TENS.keys.join('|')})(?:[- ]?(#{ONES.keys.join('|')}))?|(#{TEENS.keys.join('|')})|(?:oh|o)[- ]?(#{ONES.keys.join('|')}))/
        SPOKEN = /\b(oh|zero|one|two|three|four)[- ]#{TWO}(e?s)?\b(\s*(?:o[- ]?)?rings?\b)?/i
        HUNDREDS = { "oh" => 0, "zero" => 0, "one" => 1, "two" => 2, "three" => 3, "four" => 4 }.freeze

        module_function

        # @param match [MatchData] of SPOKEN
        # @return [String, nil] "210"
        def spoken(match)
          hundred, tens, ones, teens, small, plural, ring = match.captures.map { |word| word&.downcase }
          return unless plural || ring || hundred.match?(/oh|zero/)

          two = if teens then TEENS[teens]
                elsif tens then TENS[tens] + ONES.fetch(ones, 0)
                else ONES[small]
                end
          format("%03d", (HUNDREDS[hundred] * 100) + two)
        end
      end
    end
  end
end
