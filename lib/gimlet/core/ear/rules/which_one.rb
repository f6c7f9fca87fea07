# frozen_string_literal: true

require_relative "rule"

module Gimlet::Core
  module Ear
    module Rules
      # Which cylinder, not how many: "packings on cylinder 2 only", "cylinder no 3", "cylinder 1 and 3". Several are counted: "cylinders 3".
      class WhichOne < Rule
        ONE = %w[cylinder cyl].freeze
        NUMBER = %w[no number nr].freeze
        AND = %w[and or , &].freeze
        PUMPS = 9
        NOTE = "That is which one, not how many: choose it under Work."

        def call(place)
          return pump(place) unless ONE.include?(tokens[place].text.downcase) && asked&.id != "cylinders"

          at = place + 1
          at += 1 while NUMBER.include?(norm(at)) || tokens[at]&.text == "."
          ending = numbers(at)
          ending ? [aside(place, ending, NOTE, cost: Costs::RULE - 0.3)] : NONE
        end

        private

        # "packings for pump one"
        def pump(place)
          figure = (number(place + 1) if norm(place) == "pump" && tokens[place].text.downcase == "pump")
          figure && figure.figure <= PUMPS ? [aside(place, figure.to, NOTE, cost: Costs::RULE - 0.3)] : NONE
        end

        def numbers(place)
          ending = nil
          while (figure = number(place))
            ending = figure.to
            place = AND.include?(norm(ending)) || tokens[ending]&.text == "," ? ending + 1 : ending
            break if place == ending
          end
          ending
        end

        def number(place) = lattice.figures_at(place).find { |piece| piece.whole? && !counts?(piece.to) }
        def counts?(place) = lattice.phrases_at(place).any?(&:noun?)
      end
    end
  end
end
