# frozen_string_literal: true

require "prawn"
require "prawn/table"
require_relative "../../core/input_error"
require_relative "stationery"

module Gimlet
  module Exchange
    # Everything that is printed.
    module Paper
      FONTS = File.expand_path("../../../../data/fonts", __dir__)
      SIZES = %w[A4 A3 LETTER].freeze

      module_function

      # @param title [String]
      # @param on [Stationery]
      # @return [Prawn::Document] a blank sheet in the font that ships, with the shop's line at its foot
      # @raise [Core::InputError]
      def blank(title, on, **page)
        size = on.paper
        SIZES.include?(size) || Core::InputError.reject("paper", "unknown_paper", "“#{size}” is no paper here: use #{SIZES.join(' or ')}.")
        pdf = Prawn::Document.new(page_size: size, margin: [30, 36, 44, 36], info: { Title: title, Creator: "Gimlet" }, **page)
        pdf.font_families.update("Hyperlegible" => { normal: "#{FONTS}/AtkinsonHyperlegible-Regular.ttf",
                                                     bold: "#{FONTS}/AtkinsonHyperlegible-Bold.ttf" })
        pdf.font "Hyperlegible"
        pdf
      end

      # On every page, when all are written.
      # @param face [Core::Desk::ShopFace]
      def foot(pdf, face)
        text = face.foot
        return if text.empty?

        (1..pdf.page_count).each do |page|
          pdf.go_to_page(page)
          pdf.text_box(text, at: [0, -10], width: pdf.bounds.width, height: 22, size: 8, align: :center, overflow: :shrink_to_fit)
        end
      end
    end
  end
end
