# frozen_string_literal: true

require_relative "../input_error"

module Gimlet::Core
  # Writing a catalogue document, change by change.
  module Drafting
    # Where a value stands in a document: keys of objects, and rows of lists by what they are called (a row without a name of its own, by its
    # number from 0).
    #
    #   Place.find(document, ["parts", "FX 7", "spec", "id_mm"])        # => 20
    #   Place.find(document, ["fasteners", "caps", "points", "2", 3])   # => "valve 2": a point is called by its label
    module Place
      # What rows of a list are told apart by, in this order.
      NAMES = %w[id number designation slot group tighten part who].freeze

      module_function

      # @param document [Hash, Array] plain data
      # @param steps [Array<String, Integer>]
      # @return [Object, nil] nil where there is nothing
      def find(document, steps) = steps.reduce(document) { |inside, step| inside && one(inside, step) }

      # @param steps [Array<String, Integer>] not empty
      # @return [Array(Hash|Array, String|Integer)] what holds the value, and its key or number there; the number of a list is its length where
      #   no row is called so
      # @raise [InputError] when there is nothing to hold it
      def holder(document, steps)
        inside = find(document, steps[0...-1])
        unless inside.is_a?(Hash) || inside.is_a?(Array)
          InputError.reject("at", "no_such_place", "The document has no “#{steps[0...-1].join(' › ')}” any more: look at it again.")
        end
        [inside, key(inside, steps.last)]
      end

      # @return [String, nil] what a row is called
      def name(row)
        return row.first if row.is_a?(Array) && row.first.is_a?(String)

        NAMES.filter_map { |key| row[key] if row[key].is_a?(String) }.first if row.is_a?(Hash)
      end

      def one(inside, step)
        case inside
        when Hash then inside[step.to_s]
        when Array then inside[key(inside, step)]
        end
      end

      # A list of points ([label, x, y]) has names; one point is a row of figures.
      def key(inside, step)
        return step.to_s if inside.is_a?(Hash)
        return step if step.is_a?(Integer)

        inside.index { |row| name(row) == step } || inside.size
      end
    end
  end
end
