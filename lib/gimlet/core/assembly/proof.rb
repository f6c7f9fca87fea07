# frozen_string_literal: true

require_relative "means"
require_relative "pieces"
require_relative "substances"

module Gimlet::Core
  module Assembly
    # A job done by hand, step by step: what it takes besides what the sheet lists, and what the sheet leaves open.
    #
    #   proof = Proof.new(pieces, steps, series, layers, tools: tools, consumables: consumables)
    #   proof.steps, proof.tools, proof.consumables # for the card
    #   proof.gaps                                  # for the doctor
    class Proof
      # @param pieces [Pieces] that are renewed
      # @param steps [Array<Plan::Step>] of the work
      # @param tools [Array<Tools::Needed>] on file
      # @param consumables [Array<Tools::Used>] on file
      # @param series [Catalogue::Series]
      # @param handled [Array<Catalogue::Layer>] what is set in
      def initialize(pieces, steps, series, handled, tools:, consumables:)
        @pieces = pieces
        @means = Means.new(steps, tools, names(series))
        @substances = Substances.new(consumables, steps.flat_map(&:text), handled, by_piece(series, handled))
      end

      def steps = @means.steps
      def tools = @means.tools
      def consumables = @substances.used

      # @return [Array<Gap>]
      def gaps = @means.gaps + @pieces.gaps + @substances.gaps

      private

      def names(series) = series.stacks.flat_map(&:layers).map { |layer| layer.name.downcase }.join(" ")
      def by_piece(series, handled) = handled.flat_map(&:consumables).map { |usage| series.consumable(usage.consumable).name }
    end
  end
end
