# frozen_string_literal: true

require_relative "../../core"

module Gimlet::Core
  module Catalogue
    # Which end of a stack is the bottom of its bore and which its opening, by what its ends are called ("upper cap", "bottom of the bore").
    # Where the names do not tell, nothing is said: the document can say it by an axis.
    module StackEnds
      OTHER = { "from" => "towards", "towards" => "from" }.freeze
      # Ends that close a bore from outside, and ends that are its bottom.
      OUTER = /\b(?:cap|plug|cover|top plate|above|outer end|rod end|wet end)\b/
      BOTTOM = /\bbottom\b|\bbelow\b/
      # A rod is fixed at one end and open at the other: "in" is towards the end it is fixed at.
      FIXED = /\b(?:crankcase|power end|hydraulic end)\b/
      ON_A_ROD = %w[plunger].freeze

      # @return [String, nil] "from" or "towards": the bottom of the bore, or where the rod is fixed
      def inner
        bottom = ends.find { |_, name| name.match?(BOTTOM) } and return bottom.first
        outer = ends.select { |_, name| name.match?(OUTER) }.keys
        return OTHER.fetch(outer.first) if outer.one?

        fixed = ends.select { |_, name| name.match?(FIXED) }.keys
        fixed.first if fixed.one? && layers.any? { |layer| ON_A_ROD.include?(layer.shape) }
      end

      # @return [String, nil] "from" or "towards": where the pieces go in
      def open_end = OTHER[inner]

      private

      def ends = { "from" => from.downcase, "towards" => towards.downcase }
    end
  end
end
