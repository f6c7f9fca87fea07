# frozen_string_literal: true

require "cgi"
require_relative "../core/outside/pump"

module Gimlet
  module Exchange
    # A pump from outside as an SVG picture that can be printed: its sides one beside the other, to one scale, in black and white.
    #
    #   File.write("front.svg", OutsideSvg.call(Core::Outside::Pump.new(variant).views))
    module OutsideSvg
      GAP = 14
      HIGH = 230
      TITLE = 18
      FILLS = { "solid" => "#eee", "raised" => "#fff", "hole" => "#fff", "dark" => "#444", "hidden" => "none" }.freeze
      GUESSED = ' stroke-dasharray="3 2"'

      module_function

      # @param views [Array<Core::Outside::View>]
      # @return [String]
      def call(views)
        scale = HIGH / views.map { |view| view.box[3] }.max.to_f
        left = GAP
        drawn = views.map do |view|
          picture = side(view, left, scale)
          left += (view.box[2] * scale) + GAP
          picture
        end
        height = HIGH + TITLE + (2 * GAP)
        <<~SVG
          <svg xmlns="http://www.w3.org/2000/svg" width="#{left.ceil}" height="#{height}" viewBox="0 0 #{left.ceil} #{height}" font-family="sans-serif" font-size="13">
          <rect width="#{left.ceil}" height="#{height}" fill="#fff"/>
          #{drawn.join}</svg>
        SVG
      end

      def side(view, left, scale)
        x, y, _, height = view.box
        place = ->(u, v) { [(left + ((u - x) * scale)).round(1), (GAP + ((height - (v - y)) * scale)).round(1)] }
        marks = view.marks.map { |mark| drawn(mark, place, scale) }
        "#{marks.join}<text x=\"#{left.round(1)}\" y=\"#{HIGH + GAP + TITLE}\">#{CGI.escapeHTML(view.name)}</text>\n"
      end

      def drawn(mark, place, scale)
        tone = Core::Outside::KINDS.fetch(mark.kind)
        style = "fill=\"#{FILLS.fetch(tone)}\" stroke=\"#000\" stroke-width=\"0.8\"#{GUESSED if mark.guessed || tone == 'hidden'}"
        return "<polygon points=\"#{mark.outline.map { |u, v| place.call(u, v).join(',') }.join(' ')}\" #{style}/>\n" unless mark.circle

        (cx, cy), radius = place.call(*mark.circle.first(2)), (mark.circle[2] * scale).round(1)
        "<circle cx=\"#{cx}\" cy=\"#{cy}\" r=\"#{radius}\" #{style}/>\n"
      end
    end
  end
end
