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
          return places.to_h { |one| [one, Hash.new(0.0).merge(one => 1.0)] } if @trait.kind == :plate

          rows = options(places).to_h { |place| [place, weigh(place, places)] }
          totals = places.each_index.map { |at| rows.values.sum { |row| row[at] } }
          rows.transform_values { |row| places.each_with_index.to_h { |place, at| [place, row[at] / totals[at]] } }
        end

        # @param value [Object] of the column
        # @return [Readings::Reading] what choosing this answer records
        def reading(value)
          told = @trait.kind == :serial ? { range: serials(*value) } : { value: value }
          Readings::Reading.new(trait: @trait.id, observer: OBSERVER.fetch(@channel),
                                tool: @trait.kind == :rated ? "papers" : "rule", **told)
        end

        private

        def serials(first, ending) = [first || 0, (ending || (LAST_SERIAL + 1)) - 1]

        def options(places) = places.reject { |place| [nil, [nil, nil]].include?(@values[place]) }

        def weigh(answer, places)
          Likelihood.over(reading(@values[answer]), places.map { |place| @values[place] })
        end
      end
    end
  end
end
