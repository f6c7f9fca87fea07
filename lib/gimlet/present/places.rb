# frozen_string_literal: true

require_relative "../core/order/places"

module Gimlet
  module Present
    # How the places of a job are filled, stack by stack as they are drawn.
    #
    #   Places.call(places)[:says] # => "9 places: 6 in the bag, 3 to come"
    module Places
      module_function

      # @param places [Core::Order::Places]
      # @return [Hash] of the OpenAPI schema Places
      def call(places)
        { says: places.says, lacking: places.lacking, coming: places.coming, complete: places.open.empty?,
          stacks: places.all.map(&:stack).uniq.map { |id| { id: id, rows: places.rows(id).map { |row| { **row.to_h, hole: row.hole? } } } } }
      end
    end
  end
end
