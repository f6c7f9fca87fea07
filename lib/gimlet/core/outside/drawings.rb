# frozen_string_literal: true

require_relative "detail"
require_relative "pump"

module Gimlet::Core
  module Outside
    # Sides of pumps, drawn once: the same few pumps are looked at all through a call.
    #
    #   drawings = Drawings.new
    #   drawings.view(variant, "front").equal?(drawings.view(variant, "front")) # => true
    class Drawings
      # Pumps that are kept, the last drawn.
      REMEMBERED = 200

      def initialize
        @known = {}.compare_by_identity
        @lock = Mutex.new
      end

      # @param variant [Catalogue::Variant]
      # @param side [String] of Pump::NAMES, or of Detail::NAMES
      # @param value [Object, nil] what it is of a detail that is not on file
      # @return [View]
      def view(variant, side, value = nil)
        @lock.synchronize do
          views = @known[variant] || keep(variant)
          views[[side, value]] ||= Detail::NAMES.key?(side) ? Detail.view(side, variant, value) : Pump.new(variant).view(side)
        end
      end

      # @return [Array<View>]
      def views(variant) = Pump::NAMES.keys.map { |side| view(variant, side) }

      private

      def keep(variant)
        @known.shift if @known.size >= REMEMBERED
        @known[variant] = {}
      end
    end
  end
end
