# frozen_string_literal: true

require_relative "face_drawing"
require_relative "blank"

module Gimlet
  module Exchange
    module Paper
      # One page to tape to the bench: every fastener group with its rounds, large, and its order.
      #
      #   File.binwrite("strip.pdf", TorqueStrip.call(order))
      class TorqueStrip
        DRAWN = 170
        MOST = 110
        LEAST = 54
        FOOT = "The maker's manual comes first. Where no value is on file, take it from there."

        # @param order [Core::Order]
        # @param on [Stationery]
        # @return [String] the PDF
        def self.call(order, on: Stationery.of) = new(order, on).render

        def initialize(order, on)
          @record = order.record
          @pdf = Paper.blank("Torque strip, order #{order.id}", on)
          @title = "#{@record['pump']['model']} · order #{order.id}"
        end

        # @return [String]
        def render
          @record.fetch("stops", []).each { |stop| stop(stop) }
          @pdf.text @title, size: 20, style: :bold
          rows = @record["tightening"]
          height = ((@pdf.cursor - 20) / [rows.size, 1].max).clamp(LEAST, MOST)
          rows.each { |one| row(one, height) }
          @pdf.text_box(FOOT, at: [0, -8], width: @pdf.bounds.width, height: 12, size: 9)
          @pdf.render
        end

        private

        def stop(stop) = @pdf.text("STOP: #{stop['name']}. Nothing is tightened before #{stop['lifted']}.", size: 14, style: :bold)

        def row(row, height)
          top = @pdf.cursor
          @pdf.stroke_horizontal_rule
          drawn = row["face"] && row["points"].any? { |point| point["order"] }
          FaceDrawing.call(@pdf, row, at: [@pdf.bounds.right - DRAWN, top - 5], width: DRAWN, height: height - 10) if drawn
          width = @pdf.bounds.width - (drawn ? DRAWN + 10 : 0)
          texts(row).reduce(top - 3) { |y, text| put(y, height, width, text) }
          @pdf.move_cursor_to(top - height)
        end

        # @return [Array<Array(String, Float, Integer, Symbol)>] text, its share of the row's height, size and style
        def texts(fastener)
          [["#{fastener['count']} × #{fastener['name']} · #{fastener['drive']}", 0.24, 20, :normal], [rounds(fastener), 0.44, 36, :bold],
           [below(fastener), 0.22, 18, :normal]]
        end

        # @return [Float] where the next one goes
        def put(top, height, width, (text, share, size, style))
          box = { at: [0, top], width: width, height: height * share }
          @pdf.text_box(text, **box, size: size, style: style, overflow: :shrink_to_fit, min_font_size: 6)
          top - box[:height]
        end

        def rounds(fastener)
          told = fastener["rounds"].empty? ? [fastener["text"]] : fastener["rounds"]
          told.join(" > ")
        end

        def below(fastener)
          orders = fastener["orders"].map { |set| [set["name"], set["labels"].join(" ")].compact.join(": ") } unless fastener["face"]
          [fastener["treatment"] && "threads: #{fastener['treatment']}", *orders].compact.join(" · ")
        end
      end
    end
  end
end
