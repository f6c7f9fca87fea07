# frozen_string_literal: true

require_relative "../4_demand/finding"

module Gimlet::Core
  module Diagnosis
    # What a caller tells of a piece is found on it already: where the sheet decides by that sign, the piece of the agreed work is decided.
    #
    #   ToldFindings.of([sign], variant, ["rod_seals"]).first.because # => "they said: oil on the plunger side"
    module ToldFindings
      module_function

      # @param signs [Array<Model::Sign>] that were told of
      # @param variant [Catalogue::Variant]
      # @param scope [Array<String>] agreed work
      # @return [Array<Finding>]
      def of(signs, variant, scope)
        agreed = variant.series.areas_of(variant).select { |area| scope.include?(area.id) }.flat_map(&:stacks)
        layers = variant.series.stacks.select { |stack| agreed.include?(stack.id) }.flat_map { |stack| stack.layers_of(variant) }
        signs.select(&:finds).flat_map { |sign| layers.filter_map { |layer| finding(sign, layer) } }
      end

      def finding(sign, layer)
        decided = layer.checks.find { |check| check.sign&.include?(sign.finds) } or return
        Finding.new(slot: layer.slot, position: nil, outcome: decided.outcome, because: "they said: #{sign.name}")
      end
      private_class_method :finding
    end
  end
end
