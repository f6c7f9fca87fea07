# frozen_string_literal: true

require_relative "../value"
require_relative "belief"

module Gimlet::Core
  module Diagnosis
    # The work that costs least when going back to a pump that was not mended is counted in: the least expected cost over all sets of areas
    # that some cause needs (H. Raiffa, Decision Analysis, 1968).
    class LeastWork
      # `areas` to be done, `enough` the chance that they mend it, `left` [[cause, probability]] that they would leave.
      Offer = Value.of(:areas, :enough, :left)
      SHOWN = 0.05

      # @param model [Model]
      def initialize(model)
        @model = model
      end

      # @param belief [Hash{Array<Cause>=>Float}]
      # @param there [Array<String>] ids of signs that are there
      # @return [Offer]
      def call(belief, there)
        needs = belief.each_with_object(Hash.new(0)) { |(causes, weight), all| all[needed(causes, there)] += weight }
        areas = choices(there).min_by { |some| [cost(some, needs).round(9), some.size] }
        Offer.new(areas: @model.work.keys & areas, enough: mended(belief, areas, there), left: left(belief, areas, there))
      end

      private

      def needed(causes, there) = causes.flat_map { |cause| cause.areas_with(there) }.uniq.sort

      # Whatever some causes need, together.
      def choices(there)
        units = @model.causes.map { |cause| cause.areas_with(there).sort }.reject(&:empty?).uniq
        (0..units.size).flat_map { |size| units.combination(size).map { |some| some.flatten.uniq.sort } }.uniq
      end

      def cost(areas, needs)
        again = needs.sum { |need, weight| (need - areas).empty? ? 0 : weight }
        areas.sum { |area| @model.work.fetch(area) } + (@model.work.fetch("return") * again)
      end

      # No area mends what lies elsewhere.
      def mended(belief, areas, there)
        belief.sum do |causes, weight|
          needs = causes.map { |cause| cause.areas_with(there) }
          needs.none?(&:empty?) && (needs.flatten - areas).empty? ? weight : 0
        end
      end

      # Causes that these areas do not mend, the likelier first; those that no part mends are no reproach to them.
      def left(belief, areas, there)
        missed = @model.causes.select { |cause| (cause.areas_with(there) - areas).any? }
        missed.map { |cause| [cause, Belief.share(belief, cause)] }.select { |_, share| share >= SHOWN }.sort_by { |_, share| -share }
      end
    end
  end
end
