# frozen_string_literal: true

require_relative "../../core/4_demand/positions"
require_relative "../../core/8_plan/cautions"
require_relative "sheet"

module Gimlet
  module Exchange
    module Paper
      # Sections of an order's lines on a card, for what has a @sheet and @sections by key.
      module CardLines
        # A heading stays with its first line.
        HEAD = 40

        private

        # A box for each line, or one for each place under it.
        def lines(key)
          section = @sections[key] or return
          @sheet.heading section.title, with: [Sheet::ROOM, @sheet.high(section.lines.first.text, strong: strong(section.lines.first)) + HEAD].max
          cautions(section)
          section.lines.each do |line|
            cautions(line)
            line.boxes.first.label ? places(line) : @sheet.tick(line.text, strong: strong(line))
          end
        end

        # Ahead of what they are about; the foot of every page defers to the manual.
        def cautions(one) = due(one).each { |text| @sheet.bullet(text, strong: "Caution:") }
        def due(one) = one.cautions.map { |caution| caution["text"] } - [Core::Plan::Cautions::DEFERRAL]

        def places(line)
          @sheet.room(60) unless line.text.empty?
          @sheet.line line.text, strong: strong(line)
          @sheet.ticks(line.boxes.map(&:label))
        end

        # One box for all places.
        def lines_at_once(key)
          section = @sections[key] or return
          @sheet.heading section.title
          cautions(section)
          section.lines.each { |line| @sheet.tick("#{Core::Positions.short(line.boxes.map(&:label))}: #{line.text}", strong: line.strong) }
        end

        def strong(line) = line.text.empty? ? line.strong : "#{line.strong}:"
      end
    end
  end
end
