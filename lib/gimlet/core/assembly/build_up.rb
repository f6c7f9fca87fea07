# frozen_string_literal: true

require_relative "../../core"

module Gimlet::Core
  module Assembly
    # In which order the pieces of a stack are put together: deepest first, and what sits in another piece goes into that one before,
    # by that piece's own mouth.
    module BuildUp
      module_function

      # @param series [Catalogue::Series]
      # @param stack [Catalogue::Stack]
      # @param layers [Array<Catalogue::Layer>] that this pump has, in the order of the stack
      # @return [Array<Integer>] places in `layers`; none where it is not on file at which end they go in
      def order(series, stack, layers)
        places = layers.each_index.to_a
        case series.open_end(stack)
        when "from" then hosted(places.reverse, layers)
        when "towards" then hosted(places, layers)
        else places.one? ? places : []
        end
      end

      def hosted(places, layers)
        free, inner = places.partition { |place| layers[place].inside.nil? }
        free.flat_map { |place| with_what_sits_in_it(place, inner, layers) } | places
      end

      def with_what_sits_in_it(place, inner, layers)
        inside = into(layers[place], inner.select { |other| layers[other].inside == layers[place].slot })
        [*inside.flat_map { |other| with_what_sits_in_it(other, inner - [other], layers) }, place]
      end

      # What sits in a piece is put in by that piece's own mouth, which may look into the bore.
      def into(host, places)
        case host.opens_to
        when "from" then places.sort.reverse
        when "towards" then places.sort
        else places
        end
      end
    end
  end
end
