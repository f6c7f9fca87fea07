# frozen_string_literal: true

require "rqrcode_core"

module Gimlet
  module Exchange
    module Paper
      # A code that any camera reads.
      #
      #   QrCode.modules("http://127.0.0.1:8080/orders/3").size # => 29
      module QrCode
        # Light modules round it. Source: ISO/IEC 18004, quiet zone (from memory).
        QUIET = 4

        module_function

        # @param text [String]
        # @return [Array<Array<Boolean>>] rows of modules, true is dark
        def modules(text) = RQRCodeCore::QRCode.new(text, level: :m).modules

        # @param pdf [Prawn::Document]
        # @param at [Array(Float, Float)] upper left corner of all, the quiet zone too
        def draw(pdf, text, at:, size:)
          rows = modules(text)
          side = size / (rows.size + (2.0 * QUIET))
          left, top = at[0] + (QUIET * side), at[1] - (QUIET * side)
          pdf.fill_color "000000"
          rows.each_with_index do |row, down|
            row.each_index.select { |across| row[across] }.slice_when { |one, two| two > one + 1 }.each do |run|
              pdf.fill_rectangle([left + (run.first * side), top - (down * side)], run.size * side, side)
            end
          end
        end
      end
    end
  end
end
