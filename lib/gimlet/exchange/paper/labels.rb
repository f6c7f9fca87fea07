# frozen_string_literal: true

require_relative "../../core/value"
require_relative "blank"
require_relative "qr_code"

module Gimlet
  module Exchange
    module Paper
      # Sheets of labels with a code that any scanner reads: for shelves, bags, tools.
      #
      #   File.binwrite("labels.pdf", Labels.call([Labels::Label.new(code: "PW-K220", strong: "PW-K220", lines: ["TK4 seal kit 20", "B3"])]))
      module Labels
        # `code` is what the scanner types.
        Label = Core::Value.of(:code, :strong, :lines)
        ACROSS = 3
        DOWN = 8
        PAD = 6
        CODE = 62
        # 62 × 29 mm, in points.
        ROLL = [62, 29].map { |mm| mm * 72 / 25.4 }.freeze

        module_function

        # @param labels [Array<Label>]
        # @return [String] the PDF
        def call(labels, on: Stationery.of)
          return roll(labels, on) if on.ways.labels == "roll"

          pdf = Paper.blank("Labels", on)
          labels.each_slice(ACROSS * DOWN).with_index do |some, sheet|
            pdf.start_new_page if sheet.positive?
            some.each_with_index { |label, at| draw(pdf, label, at) }
          end
          pdf.render
        end

        # A label printer has one to a page.
        def roll(labels, on)
          pdf = Paper.blank("Labels", on, page_size: ROLL, margin: 2)
          labels.each_with_index do |label, at|
            pdf.start_new_page if at.positive?
            one(pdf, label, [0, pdf.bounds.height], [pdf.bounds.width, pdf.bounds.height])
          end
          pdf.render
        end

        def draw(pdf, label, index)
          width, height = pdf.bounds.width / ACROSS, pdf.bounds.height / DOWN
          left, top = width * (index % ACROSS), pdf.bounds.height - (height * (index / ACROSS))
          pdf.stroke_color "BBBBBB"
          pdf.stroke_rectangle([left, top], width, height)
          one(pdf, label, [left, top], [width, height])
        end

        def one(pdf, label, (left, top), (width, height))
          QrCode.draw(pdf, label.code, at: [left + PAD, top - PAD], size: CODE)
          texts(pdf, label, [left + PAD + CODE + 4, top - PAD], [width - CODE - (2 * PAD) - 4, height - (2 * PAD)])
        end

        def texts(pdf, label, (left, top), (width, height))
          pdf.text_box(label.strong, at: [left, top], width: width, height: 32, size: 14, style: :bold, overflow: :shrink_to_fit)
          pdf.text_box(label.lines.join("\n"), at: [left, top - 34], width: width, height: height - 34, size: 9, overflow: :shrink_to_fit)
        end
      end
    end
  end
end
