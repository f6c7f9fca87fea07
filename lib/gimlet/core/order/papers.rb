# frozen_string_literal: true

require_relative "../value"
require_relative "order"

module Gimlet::Core
  class Order
    # What is printed for an order, what is wanted first coming first.
    #
    #   Papers.of("quoted", benched: false).first.id # => "quote"
    module Papers
      Paper = Value.of(:id, :name)
      NAMES = { "quote" => "quote", "card" => "work card", "strip" => "torque strip", "torques" => "torques reached", "note" => "delivery note",
                "label" => "bag label" }.freeze

      module_function

      # @param state [String] of States
      # @param benched [Boolean] whether anything was done at the bench
      # @return [Array<Paper>]
      def of(state, benched:)
        ids = state == "quoted" ? %w[quote card strip label] : ["card", "strip", ("torques" if benched), "note", "label"].compact
        ids.map { |id| Paper.new(id: id, name: NAMES.fetch(id)) }
      end
    end
  end
end
