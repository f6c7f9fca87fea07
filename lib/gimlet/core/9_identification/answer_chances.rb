# frozen_string_literal: true

require_relative "../2_readings/reading"

module Gimlet::Core
  module Identification
    # What people would answer to a question: P(answer | value on file), from the same likelihoods that weigh the answer once given.
    class AnswerChances
      LAST_SERIAL = 999_999_999
      # With more values alive than this, mistaking one for another hardly matters: answers are taken at their word.
      MANY = 40
      # Matrices that are kept.
      REMEMBERED = 200

      # @param column [Column]
      # @param trait [Readings::Trait]
      # @param channel [String]
      def initialize(column, trait, channel)
        @column = column
        @trait = trait
        @channel = channel
        @rows = {}
        @matrices = {}
        @choices = column.values.count { |value| !@trait.kind.blank?(value) }
      end

      # @param places [Array<Integer>] the values that are still possible
      # @return [Hash{Object=>Hash{Integer=>Float}}] answer => true value's place => chance; empty when no answer helps
      def matrix(places)
        return at_their_word(places) if @trait.kind.free? || places.size > MANY

        # The same few values are left again and again.
        @matrices.shift if @matrices.size > REMEMBERED
        @matrices[places.sum { |place| 1 << place }] ||= worked_out(places)
      end

      # @param value [Object] an answer of the matrix
      # @return [Readings::Reading] what choosing this answer records
      def reading(value)
        told = value.is_a?(Range) ? { range: [value.begin || 0, (value.end || (LAST_SERIAL + 1)) - 1] } : { value: value }
        Readings::Reading.new(definition: @trait, observer: Readings::OBSERVER.fetch(@channel),
                              tool: @trait.kind.tool("rule"), **told)
      end

      # How well an answer fits every value of the column; sizes of an object are asked one at a time.
      # @return [Array<Float>] by place
      def row(answer)
        @rows[answer] ||= begin
          kind, told = @trait.kind, reading(answer)
          found = @column.values.map { |value| @trait.kind.blank?(value) ? nil : fit(kind, told, value, @choices) }
          known = found.compact
          usual = known.empty? ? 1.0 : known.sum / known.size
          found.map { |one| one || usual }
        end
      end

      private

      def worked_out(places)
        rows = options(places.map { |place| @column.values[place] }).to_h { |answer| [answer, row(answer)] }
        totals = places.to_h { |place| [place, rows.each_value.sum { |row| row[place] }] }
        rows.transform_values { |row| places.to_h { |place| [place, row[place] / totals[place]] } }
      end

      def fit(kind, reading, value, choices)
        return kind.fits(reading, value, choices) unless @trait.slot

        sizes = value.filter_map { |object| object[@trait.axis] }
        sizes.map { |size| kind.fits(reading, size, choices) }.max || 1.0
      end

      # A serial tells nothing while pumps with many different breaks are alive; nor does one part of very many.
      def at_their_word(places)
        single = @trait.kind.at_its_word? && @trait.slot.nil? && !@trait.many
        single ? places.to_h { |place| [@column.values[place], { place => 1.0 }] } : {}
      end

      def options(values)
        known = values.select { |value| @trait.kind.answer?(value) }
        @trait.slot ? known.flatten(1).filter_map { |object| object[@trait.axis] }.uniq : known.uniq
      end
    end
  end
end
