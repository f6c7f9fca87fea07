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
        EVERY_SERIAL = (nil...nil)
        LAST_SERIAL = 999_999_999
        # With more values alive than this, mistaking one for another hardly matters: answers are taken at their word.
        MANY = 40

        FREE = %i[plate number].freeze

        # @param values [Array] the distinct values of the trait's column; arrays for traits of several parts in hand
        # @param trait [Readings::Trait]
        # @param channel [String]
        def initialize(values, trait, channel)
          @values = values
          @trait = trait
          @channel = channel
        end

        # @param places [Array<Integer>] the values that are still possible
        # @return [Hash{Object=>Hash{Integer=>Float}}] answer => true value's place => chance; empty when no answer helps
        def matrix(places)
          return at_their_word(places) if free? || places.size > MANY

          values = places.map { |place| @values[place] }
          rows = options(values).to_h { |answer| [answer, Likelihood.over(reading(answer), values)] }
          totals = places.each_index.map { |at| rows.values.sum { |row| row[at] } }
          rows.transform_values { |row| places.each_with_index.to_h { |place, at| [place, row[at] / totals[at]] } }
        end

        # @return [Boolean] whether it is answered by typing, not by choosing
        def free? = FREE.include?(@trait.kind)

        # @return [Boolean] whether a value cannot be given as an answer
        def blank?(value) = [nil, [], EVERY_SERIAL].include?(value)

        # @param value [Object] an answer of the matrix
        # @return [Readings::Reading] what choosing this answer records
        def reading(value)
          told = @trait.kind == :serial ? { range: serials(value.begin, value.end) } : { value: value }
          Readings::Reading.new(trait: @trait.id, observer: OBSERVER.fetch(@channel),
                                tool: @trait.kind == :rated ? "papers" : "rule", **told)
        end

        private

        # A serial tells nothing while pumps with many different breaks are alive; nor does one part of very many.
        def at_their_word(places)
          single = @trait.kind != :serial && places.none? { |place| @values[place].is_a?(Array) }
          single ? places.to_h { |place| [@values[place], { place => 1.0 }] } : {}
        end

        def serials(first, ending) = [first || 0, (ending || (LAST_SERIAL + 1)) - 1]

        def options(values)
          values.reject { |value| blank?(value) }.flatten.uniq
        end
      end
    end
  end
end
