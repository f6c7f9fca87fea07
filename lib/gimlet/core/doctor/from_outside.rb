# frozen_string_literal: true

require_relative "../outside/pump"
require_relative "remark"

module Gimlet::Core
  class Doctor
    # The pump from outside against what its traits say: a drawing that shows another pump misleads whoever looks at it.
    class FromOutside
      include Saying

      # What lies further off than this, beside the drawing's longer side, is not on the pump.
      FAR = 0.35
      # Where a caller is told to look for the glass => the view on which a round mark shows it.
      GLASS = { "side" => "side", "front" => "front" }.freeze
      COUNTED = %w[cap plug].freeze

      # @param series [Catalogue::Series]
      def initialize(series, _known)
        @series = series
      end

      # @return [Array<Remark>]
      def call = [*placed, *glass, *caps, *sides].uniq

      private

      def pumps = Catalogue::Variant.of_series(@series)
      def marks = @series.outside.marks

      # Without its own mark, so that one far away does not widen what it is measured by.
      def placed
        pump = pumps.first
        marks.each_with_index.filter_map do |mark, at|
          bare = @series.with(outside: @series.outside.with(marks: []))
          left, bottom, width, height = Outside::Pump.new(pump.with(series: bare)).view(mark.on).box
          # The view may be turned about: across, either side counts.
          room = [width, height].max * FAR
          next if mark.x_mm.between?(left - room, left + width + room) && mark.y_mm.between?(bottom - room, bottom + height + room)

          warning("outside.marks.#{at}", "puts the #{mark.what.tr('_', ' ')} at #{mark.x_mm}, #{mark.y_mm}, far off the pump " \
                                         "from #{view(mark.on)} (#{width.round} × #{height.round} mm).")
        end
      end

      def view(name) = Outside::Pump::NAMES.fetch(name).delete_prefix("from ")

      # A glass that is drawn where the trait does not have it.
      def glass
        told = marks.each_with_index.select { |mark, _| mark.what == "sight_glass" }
        told.filter_map do |mark, at|
          meant = pumps.select { |pump| Catalogue::Condition.met?(mark.condition, pump) && pump.trait("sight_glass") }
          wrong = meant.find { |pump| GLASS[pump.trait("sight_glass")] != mark.on }
          wrong && error("outside.marks.#{at}",
                         "shows a sight glass on the #{mark.on}, and sight_glass of #{wrong.id} is #{wrong.trait('sight_glass')}: one is wrong.")
        end
      end

      # As many caps on all sides as the trait counts.
      def caps
        count = @series.traits["valve_caps"] or return []
        drawn = @series.faces.sum { |face| face.sides.size * (face.features || []).count { |kind, *| kind == "cap" } }
        return [] if drawn.zero? || drawn == count

        [warning("faces", "show #{drawn} caps on all sides, and valve_caps is #{count}: a face lacks its side, or has one too many.")]
      end

      # A face that looks nowhere is not seen from outside.
      def sides
        twice = @series.faces.flat_map(&:sides).tally.select { |_, times| times > 1 }.keys
        twice.map do |side|
          ids = @series.faces.select { |face| face.sides.include?(side) }.map(&:id)
          warning("faces.#{ids.last}.sides", "is #{side}, as #{ids.first} is: only the first is drawn there.")
        end
      end
    end
  end
end
