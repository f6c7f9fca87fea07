# frozen_string_literal: true

require "prawn"
require "prawn/table"
require_relative "../../core/input_error"

module Gimlet
  module Exchange
    # Everything that is printed.
    module Paper
      FONTS = File.expand_path("../../../../data/fonts", __dir__)
      SIZES = %w[A4 LETTER].freeze

      module_function

      # @param title [String]
      # @param size [String] of SIZES
      # @return [Prawn::Document] a blank sheet in the font that ships
      # @raise [Core::InputError]
      def blank(title, size)
        SIZES.include?(size) || Core::InputError.reject("paper", "unknown_paper", "“#{size}” is no paper here: use #{SIZES.join(' or ')}.")
        pdf = Prawn::Document.new(page_size: size, margin: [30, 36, 44, 36], info: { Title: title, Creator: "Gimlet" })
        pdf.font_families.update("Hyperlegible" => { normal: "#{FONTS}/AtkinsonHyperlegible-Regular.ttf",
                                                     bold: "#{FONTS}/AtkinsonHyperlegible-Bold.ttf" })
        pdf.font "Hyperlegible"
        pdf
      end
    end
  end
end
