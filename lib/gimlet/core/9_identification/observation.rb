# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Identification
    # What is weighed as one: a reading, or the readings of one object (a seal's two diameters and its height).
    Observation = Value.of(:readings) do
      def trait = readings.first.definition
      def slot = trait.slot
      def content = readings.map(&:content)
    end

    # Gathering readings into observations.
    module Observations
      module_function

      # Said again, a thing is put right: of several readings of one trait the last one counts, except where there are many to read.
      # What is denied is no value and stays beside it.
      # @param readings [Array<Readings::Reading>] in the order they were taken
      # @return [Array<Observation>]
      def of(readings)
        telling = readings.reject(&:unknown)
        objects, others = telling.partition { |one| one.definition.slot }
        single(others) + objects.group_by { |object| object.definition.slot }.values.flat_map { |same| split(same) }
      end

      def single(readings)
        last = readings.reverse.uniq { |reading| reading.denied || reading.definition.many ? reading.content : reading.trait }.reverse
        last.map { |one| Observation.new(readings: [one]) }
      end

      # A size said again begins the next object; the same object said twice counts once.
      def split(readings)
        objects = readings.each_with_object([[]]) do |reading, all|
          all << [] if all.last.any? { |other| other.trait == reading.trait }
          all.last << reading
        end
        objects.uniq { |object| object.map(&:content) }.map { |object| Observation.new(readings: object) }
      end
    end
  end
end
