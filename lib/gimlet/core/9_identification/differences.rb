# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Identification
    # A trait on which the leading candidates differ. `values` is one for each of them, nil when not on file.
    Difference = Value.of(:trait, :values, :changes_order)

    # What tells the leading candidates apart, and whether it matters to the order.
    module Differences
      module_function

      # @param vocabulary [Readings::Vocabulary]
      # @param leaders [Array<Hypothesis>]
      # @param ids [Array<String>] their order classes
      # @return [Array<Difference>] those that change the order first
      def call(vocabulary, leaders, ids)
        rows = vocabulary.traits.values.reject { |trait| !trait.kind.compared? || trait.slot }.filter_map do |trait|
          values = leaders.map { |leader| leader.traits[trait.id] }
          next if values.compact.uniq.size < 2

          Difference.new(trait: trait, values: values, changes_order: splits_classes?(values, ids))
        end
        rows.partition(&:changes_order).flatten
      end

      # A trait matters when two of its values lead to no order in common.
      def splits_classes?(values, ids)
        orders = values.zip(ids).group_by(&:first).values.map { |pairs| pairs.map(&:last) }
        orders.combination(2).any? { |one, two| !one.intersect?(two) }
      end
    end
  end
end
