# frozen_string_literal: true

require_relative "card_lines"
require_relative "crank_drawing"
require_relative "fastener_entry"
require_relative "sheet"
require_relative "stack_entry"

module Gimlet
  module Exchange
    module Paper
      # The work in the order of the bench: apart, looked over, together, tight, started.
      class CardWork
        include CardLines

        # Where a figure stands is looked up, not read on the way.
        FINE = 8.5

        # @param sheet [Sheet]
        # @param record [Hash] of an order, of the present version
        # @param sections [Hash{String=>Core::Order::Lines::Section}]
        def initialize(sheet, record, sections)
          @sheet = sheet
          @record = record
          @sections = sections
        end

        def draw
          lines "open"
          lines "out"
          lines "look"
          lines_at_once "back"
          lines "renew"
          stacks
          refit
          lines "close"
          tightening
          lines "finish"
          sources
        end

        private

        def stacks
          return if @record["stacks"].empty?

          entries = @record["stacks"].map { |stack| StackEntry.new(@sheet, stack) }
          @sheet.heading "Which way round", with: entries.first.height + 60
          @sheet.line "Dark is new, grey is looked over, white goes back as it is. A wide bore is drawn narrower.", size: Sheet::SMALL
          entries.each(&:draw)
        end

        def refit
          one = @record["refit"] or return
          @sheet.heading "Before the manifold goes on", with: CrankDrawing::HIGH + 80
          @sheet.line one["text"], style: :bold
          CrankDrawing.call(@sheet.pdf, one, width: @sheet.width)
        end

        def tightening
          return if @record["tightening"].empty?

          @sheet.heading "Tighten: numbers on the drawings are the order", with: 150
          @record["tightening"].each { |row| FastenerEntry.new(@sheet, row).draw }
        end

        # Where every value stands, and what has none; why each part is in the bag.
        def sources
          @sheet.heading "Sources, and why these parts"
          none = @record["tightening"].select { |row| row["kind"] == "none" }.map { |row| row["name"] }
          @sheet.bullet("No value on file for #{none.join(', ')}: take it from #{@record['pump']['manual']}.", style: :bold) if none.any?
          @record["tightening"].select { |row| row["source"] }.group_by { |row| row["source"] }.each do |source, some|
            @sheet.bullet("#{some.map { |one| one['name'] }.join(', ')}: #{source}.", size: FINE)
          end
          @record["why"].each do |line|
            @sheet.bullet("#{line['quantity']} × #{line['part']} #{line['name']}: #{line['reasons'].join('; ')}.", size: FINE)
          end
          @sheet.bullet("Catalogue #{@record['catalogue_version']}.", size: FINE)
        end
      end
    end
  end
end
