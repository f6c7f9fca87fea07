# frozen_string_literal: true

require "prawn"
require_relative "../../core/input_error"
require_relative "blank"
require_relative "stationery"

module Gimlet
  module Exchange
    module Paper
      # The shop's own face at the head of what goes to a customer.
      module Letterhead
        LOGO = [150, 46].freeze

        module_function

        # @param sheet [Sheet]
        # @param face [Core::Desk::ShopFace]
        def draw(sheet, face)
          pdf = sheet.pdf
          logo(pdf, face)
          face.heading.each_with_index { |text, at| sheet.line(text, size: at.zero? ? Sheet::BIG : Sheet::SMALL, style: at.zero? ? :bold : :normal) }
          pdf.move_down 8 if face.heading.any? || face.picture
        end

        # @param face [Core::Desk::ShopFace] as it is to be kept
        # @return [true]
        # @raise [Core::InputError] where its logo cannot be printed
        def check(face, on: Stationery.of)
          logo(Paper.blank("check", on), face)
          true
        # Whatever the library makes of a file that is none.
        rescue StandardError
          Core::InputError.reject("logo", "unreadable", "This logo cannot be printed: save it as a plain PNG or JPEG, not interlaced.")
        end

        def logo(pdf, face)
          picture = face.picture or return
          pdf.image(StringIO.new(picture), fit: LOGO)
          pdf.move_down 4
        end
        private_class_method :logo
      end
    end
  end
end
