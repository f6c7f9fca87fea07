# frozen_string_literal: true

require "time"
require_relative "../../core/plain"
require_relative "outside_drawing"
require_relative "qr_code"
require_relative "sheet"

module Gimlet
  module Exchange
    module Paper
      # The top of a card: which pump, how sure that is and on what grounds, what is to be done, what to mind.
      class CardHead
        CODE = 76

        # @param sheet [Sheet]
        # @param order [Core::Order]
        # @param link [String, nil]
        # @param on [Stationery]
        def initialize(sheet, order, link, on)
          @sheet = sheet
          @order = order
          @record = order.record
          @link = link
          @ways, @face = on.ways, on.face
        end

        def draw
          @sheet.stops(@record.fetch("stops", []))
          code if @link
          beside_code { title }
          outside
          remarks.each { |text| @sheet.bullet(text, style: :bold) }
        end

        private

        def code
          left, top = @sheet.width - CODE, @sheet.pdf.cursor
          QrCode.draw(@sheet.pdf, @link, at: [left, top], size: CODE)
          @sheet.pdf.text_box("the order on screen", at: [left - 20, top - CODE - 2], width: CODE + 20, height: 12, size: 8, align: :right)
        end

        # What it looks like: a customer sees at once whether it is theirs.
        def outside
          OutsideDrawing.call(@sheet, @record["outside"]) if @record["outside"].any?
        end

        # Not over the code, and what follows not either.
        def beside_code(&)
          top = @sheet.pdf.cursor
          @sheet.pdf.bounding_box([0, top], width: @sheet.width - (@link ? CODE + 12 : 0), &)
          @sheet.pdf.move_cursor_to([@sheet.pdf.cursor, top - CODE - 14].min) if @link
        end

        def title
          @sheet.line @face.heading.join(" · "), size: Sheet::SMALL if @face.heading.any?
          one = @record["pump"]
          @sheet.line "#{one['maker']} #{one['model']}", size: 22, style: :bold
          @sheet.line "serials #{one['serials']}" if one["serials"]
          @sheet.line ["order #{@order.id}#{", version #{@order.version}" if @order.version.to_i > 1}", @order.customer,
                       date].compact.join(" · ")
          @sheet.line "#{areas}. #{pumps}", strong: "Work:"
          @sheet.line "#{one['manual']}.", strong: "Manual:"
          @sheet.line "#{(@record['sure'] * 100).floor} % sure of this order, from: #{@record['seen'].join('; ')}.", size: Sheet::SMALL
        end

        def date = @ways.date(Time.parse(@order.created_at.to_s))
        def areas = @record["work"]["areas"].map { |area| area["name"] }.join(", ")
        def pumps = @record["work"]["pumps"] > 1 ? "For #{@record['work']['pumps']} pumps." : ""

        # What the specialist knew to be open when the order was placed.
        def remarks
          work = @record["work"]
          [("CANCELLED: #{@order.cancelled_because}. Do not work from this card." if @order.cancelled_at),
           ("Complaint: #{work['complaints'].join(', ')}." if work["complaints"].any?),
           ("How far: #{@record['extent']['name']}. #{@record['extent']['warning']}" if @record.dig("extent", "warning")),
           *left_out, *work["found"].map { |text| "Found: #{text}." },
           ("Placed all the same: #{@record['reason']}." if @record["reason"])]
            .compact + @record["doubts"].map { |doubt| "#{doubt['text']}: stands, #{doubt['reason']}." } + @record["assumptions"] + not_on_file
        end

        def left_out = @record["left_out"].map { |id, why| "Left out: #{Core::Plain.name(id)}, though #{why}." }
        def not_on_file = @record["work"]["not_on_file"].map { |name| "Nothing on file for #{name}: see the manual." }
      end
    end
  end
end
