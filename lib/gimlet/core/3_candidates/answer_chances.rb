# frozen_string_literal: true

require_relative "../2_readings/reading"
require_relative "likelihood"

module Gimlet
  module Core
    module Candidates
      # What people would answer to a question: P(answer | value on file), from the same likelihoods that weigh the
      # answer once it is given.
      class AnswerChances
        OBSERVER = { "phone" => "caller", "counter" => "counter", "parts" => "counter", "photo" => "photo" }.freeze
        LAST_SERIAL = 999_999_999
        # With more values alive than this, mistaking one for another hardly matters: answers are taken at their word.
        MANY = 40

        # @param values [Array] the distinct values of the trait's column
        # @param trait [Readings::Trait]
        # @param channel [String]
        def initialize(values, trait, channel)
          @values = values
          @trait = trait
          @channel = channel
        end

        # @param places [Array<Integer>] the values that are still possible
        # @return [Hash{Integer=>Hash{Integer=>Float}}] answer's place => true value's place => chance; empty when no
        #   value is on file
        def matrix(places)
          return at_their_word(places) if @trait.kind == :plate || places.size > MANY

          rows = places.select { |place| option?(place) }.to_h { |place| [place, weigh(place, places)] }
          totals = places.each_index.map { |at| rows.values.sum { |row| row[at] } }
          rows.transform_values { |row| places.each_with_index.to_h { |place, at| [place, row[at] / totals[at]] } }
        end

        # @return [Boolean] whether the value at this place can be given as an answer
        def option?(place) = ![nil, [nil, nil]].include?(@values[place])

        # @param value [Object] of the column
        # @return [Readings::Reading] what choosing this answer records
        def reading(value)
          told = @trait.kind == :serial ? { range: serials(*value) } : { value: value }
          Readings::Reading.new(trait: @trait.id, observer: OBSERVER.fetch(@channel),
                                tool: @trait.kind == :rated ? "papers" : "rule", **told)
        end

        private

        # A serial tells nothing while pumps with many different breaks are alive.
        def at_their_word(places)
          @trait.kind == :serial ? {} : places.to_h { |place| [place, { place => 1.0 }] }
        end

        def serials(first, ending) = [first || 0, (ending || (LAST_SERIAL + 1)) - 1]

        def weigh(answer, places)
          Likelihood.over(reading(@values[answer]), places.map { |place| @values[place] })
        end
      end
    end
  end
end
