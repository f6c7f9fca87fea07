# frozen_string_literal: true

require_relative "../../core"

module Gimlet::Core
  module Plan
    # In which order the pieces of a stack are put together: deepest first, and what sits in another piece goes into that one before.
    module BuildUp
      module_function

      # @param series [Catalogue::Series] its axes say to which end a stack opens; where none does, the list is the order
      # @param stack [Catalogue::Stack]
      # @param layers [Array<Catalogue::Layer>] that this pump has, in the order of the stack
      # @return [Array<Integer>] places in `layers`
      def order(series, stack, layers)
        open = series.axes.flat_map(&:stacks).find { |id, _| id == stack.id }&.last
        places = layers.each_index.to_a
        places.reverse! if open == "from"
        hosted(places, layers)
      end

      def hosted(places, layers)
        free, inner = places.partition { |place| layers[place].inside.nil? }
        free.flat_map { |place| with_what_sits_in_it(place, inner, layers) } | places
      end

      def with_what_sits_in_it(place, inner, layers)
        inside = inner.select { |other| layers[other].inside == layers[place].slot }
        [*inside.flat_map { |other| with_what_sits_in_it(other, inner - [other], layers) }, place]
      end
    end
  end
end
