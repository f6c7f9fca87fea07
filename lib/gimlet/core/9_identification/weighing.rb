# frozen_string_literal: true

require_relative "../2_readings/reading"
require_relative "../value"

module Gimlet::Core
  module Identification
    # An observation weighed: one likelihood for each distinct value of its column, the
    # likelihoods for what is unlisted, and what the best possible fit would get.
    Weighed = Value.of(:observation, :found, :column, :unlisted, :best) do
      def places = column.places
      def shares = column.shares

      # How well it suits one hypothesis: 1 when it fits as well as it can.
      # @return [Float]
      def fit(at) = [found[places[at]] / best, 1.0].min
    end

    # P(observation | hypothesis), and P(observation | none of these).
    class Weighing
      # @param field [Field]
      # @param per [Hash{String=>Numeric}] what other traits go with: 4 gpm at 1750 rpm and 3.3 at 1450 are the same pump
      def initialize(field, per)
        @field = field
        @per = per
      end

      # @param observation [Observation]
      # @return [Weighed]
      def call(observation)
        reading = observation.readings.first
        return named(observation, reading) if reading.definition.kind.respond_to?(:weigh)
        return object(observation) if observation.slot

        single(observation, reading, column_for(reading))
      end

      private

      def column_for(reading)
        per = reading.definition.per
        return @field.column(reading.trait) unless @per.key?(per)

        column = @field.column("#{reading.trait}/#{per}")
        column.valued(column.values.map { |value| value && (value * @per[per]) })
      end

      def named(observation, reading)
        column = @field.column(reading.trait)
        found, none = reading.definition.kind.weigh(reading, column.names, column.families)
        Weighed.new(observation: observation, found: found, column: column,
                    unlisted: @field.unlisted.likelihoods(column, found, none), best: reading.definition.kind.best(reading))
      end

      def single(observation, reading, column)
        kind = reading.definition.kind
        known = column.values.reject { |value| kind.blank?(value) }
        fits = known.to_h { |value| [value, kind.fits(reading, value, known.size)] }
        weighed(observation, column, fits, kind.unseen(reading, known), kind.best(reading))
      end

      # A pump holds several seals: the one in hand is any of them, with all its sizes.
      def object(observation)
        column = @field.column(observation.slot)
        known = column.values.compact.flatten(1).uniq
        sizes = sizes_of(known, observation)
        each = known.to_h { |object| [object, of_object(observation, object, sizes)] }
        fits = column.values.reject { |objects| objects.nil? || objects.empty? }.to_h do |objects|
          [objects, objects.map do |object|
            each[object]
          end.max]
        end
        unseen = observation.readings.reduce(1.0) { |all, one| all * one.definition.kind.unseen(one, sizes[one]) }
        weighed(observation, column, fits, unseen, observation.readings.reduce(1.0) { |all, one| all * one.definition.kind.best(one) })
      end

      def sizes_of(known, observation)
        observation.readings.to_h { |reading| [reading, known.filter_map { |object| object[reading.definition.axis] }.uniq] }
      end

      def of_object(observation, object, sizes)
        observation.readings.reduce(1.0) do |all, one|
          value = object[one.definition.axis]
          all * (value ? one.definition.kind.fits(one, value, sizes[one].size) : one.definition.kind.unseen(one, sizes[one]))
        end
      end

      # What is not on file is taken as it is with the others, on the average.
      def weighed(observation, column, fits, unseen, best)
        usual, share = 0.0, 0.0
        column.values.each_with_index do |value, place|
          fit = fits[value] or next
          usual += fit * column.shares[place]
          share += column.shares[place]
        end
        mean = share.positive? ? usual / share : 1.0
        found = column.values.map { |value| fits.fetch(value, mean) }
        none, size = [Readings::Likelihoods::UNSEEN, Readings::Likelihoods::OTHER_SIZE].map { |share| ((1 - share) * mean) + (share * unseen) }
        Weighed.new(observation: observation, found: found, column: column, best: best,
                    unlisted: @field.unlisted.likelihoods(column, found, none, size))
      end
    end
  end
end
