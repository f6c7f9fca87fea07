# frozen_string_literal: true

require_relative "../../core/5_demand/positions"
require_relative "crank_drawing"
require_relative "fastener_entry"
require_relative "sheet"
require_relative "stack_entry"

module Gimlet
  module Exchange
    module Paper
      # The work in the order of the bench: apart, looked over, together, tight, started.
      class CardWork
        CLOSED = ["finish", "after running"].freeze

        # @param sheet [Sheet]
        # @param record [Hash] of an order, of the present version
        def initialize(sheet, record)
          @sheet = sheet
          @record = record
        end

        def draw
          steps "Take apart", "open"
          count_out
          look_over
          put_back
          steps "Renew", "renew"
          stacks
          refit
          steps "Close", "close"
          tightening
          steps "Start again", *CLOSED
          sources
        end

        private

        def steps(heading, *phases)
          told = @record["steps"].select { |one| phases.include?(one["phase"]) }
          return if told.empty?

          @sheet.heading heading
          told.each { |one| @sheet.tick(one["text"].join(" "), strong: "#{one['title'].capitalize}:") }
        end

        def count_out
          return if @record["count_out"].empty?

          @sheet.heading "Count these out of the bores: left behind, they leak"
          @record["count_out"].group_by { |one| one["pieces"] }.each do |pieces, same|
            @sheet.line pieces.join(", "), style: :bold
            @sheet.ticks(same.map { |one| one["position"] })
          end
        end

        def looked_over = @record["keep"].reject { |one| one["look"].empty? }

        def look_over
          return if looked_over.empty?

          @sheet.heading "Look over: what passes goes back"
          looked_over.each do |one|
            @sheet.room(60)
            @sheet.line "#{one['to_do']}. #{one['look'].join('; ')}.", strong: "#{one['name'].capitalize}:"
            @sheet.ticks(one["positions"] || [one["where"]])
          end
        end

        def put_back
          rest = @record["keep"] - looked_over
          return if rest.empty?

          @sheet.heading "These go back in: throw none away"
          rest.each do |one|
            @sheet.tick("#{one['where']}#{": #{one['to_do']}" unless one['fate'] == 'keep'}", strong: one["name"])
          end
        end

        def stacks
          return if @record["stacks"].empty?

          @sheet.heading "Which way round", with: 200
          @sheet.line "Dark is new, grey is looked over, white goes back as it is.", size: Sheet::SMALL
          @record["stacks"].each { |one| StackEntry.new(@sheet, one).draw }
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
          @record["tightening"].each { |one| FastenerEntry.new(@sheet, one).draw }
        end

        # Where every value stands, and what has none; why each part is in the bag.
        def sources
          @sheet.heading "Sources, and why these parts"
          none = @record["tightening"].select { |one| one["kind"] == "none" }.map { |one| one["name"] }
          @sheet.bullet("No value on file for #{none.join(', ')}: take it from #{@record['pump']['manual']}.", style: :bold) if none.any?
          @record["tightening"].select { |one| one["source"] }.group_by { |one| one["source"] }.each do |source, some|
            @sheet.bullet("#{some.map { |one| one['name'] }.join(', ')}: #{source}.", size: Sheet::SMALL)
          end
          @record["why"].each { |one| @sheet.bullet("#{one['quantity']} × #{one['part']} #{one['name']}: #{one['reasons'].join('; ')}.", size: Sheet::SMALL) }
          @sheet.bullet("Catalogue #{@record['catalogue_version']}.", size: Sheet::SMALL)
        end
      end
    end
  end
end
