# frozen_string_literal: true

require_relative "../number_words"
require_relative "rule"

module Gimlet::Core
  module Ear
    module Rules
      # Dash numbers of standard rings as they are typed or said: "dash 210", "-210 o-ring", "an oh-sixteen", "four one-sixteens", "a two-ten
      # ring". A hundred alone says nothing without an s or a ring.
      class DashNumber < Rule
        HUNDREDS = { "oh" => 0, "zero" => 0, "one" => 1, "two" => 2, "three" => 3, "four" => 4 }.freeze
        NOUGHT = %w[oh zero o].freeze
        CALLED = %w[dash as568].freeze

        def call(place)
          [typed(place), spoken(place)].compact
        end

        private

        # "dash 210", "dash number 112", "-210 o-ring", "AS568-210"
        def typed(place)
          called = CALLED.include?(norm(place)) || (norm(place) == "as" && tokens[place + 1]&.text == "568")
          at = if called
                 figure_behind(norm(place) == "as" ? place + 2 : place + 1)
               end
          at ||= place + 1 if tokens[place].text == "-" && !tokens[place].glued && three_digits?(place + 1) && ring?(place + 2)
          return unless at && three_digits?(at)

          made(place, ring?(at + 1) ? ring_end(at + 1) : at + 1, tokens[at].text)
        end

        def figure_behind(place) = (place..(place + 3)).find { |at| three_digits?(at) }
        def three_digits?(place) = tokens[place]&.text&.match?(/\A\d{3}\z/)

        def spoken(place)
          hundred = HUNDREDS[norm(place)] or return
          two, at = two_digits(after_dash(place + 1))
          return unless two

          plural = tokens[at - 1].text.match?(/s\z/i) && tokens[at - 1].norm != tokens[at - 1].text.downcase
          return unless plural || ring?(at) || NOUGHT.include?(norm(place))

          made(place, ring?(at) ? ring_end(at) : at, format("%03d", (hundred * 100) + two))
        end

        # "sixteen", "twenty-five", "ten", "oh four"
        def two_digits(place)
          if NOUGHT.include?(norm(place))
            at = after_dash(place + 1)
            one = NumberWords::DIGITS[norm(at)]
            return one && [one, at + 1]
          end
          count, number = NumberWords.small(tokens, place)
          [number, place + count] if number&.between?(10, 99)
        end

        def after_dash(place) = tokens[place]&.text == "-" ? place + 1 : place
        def ring?(place) = place < lattice.size && lattice.phrases_at(place).any? { |one| one.says(:slot) == "oring" }
        def ring_end(place) = lattice.phrases_at(place).find { |one| one.says(:slot) == "oring" }.to

        def made(from, to, dash)
          candidate(from, to, [{ measure: { "what" => "seal", "measure" => { "dash" => dash } }, from: from, to: to }], strong: true)
        end
      end
    end
  end
end
