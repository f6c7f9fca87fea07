# frozen_string_literal: true

require_relative "../input_error"
require_relative "../value"

module Gimlet::Core
  module Desk
    # Who this shop is, as its papers say it. `address` may have several lines; `logo` is a PNG or JPEG picture, as base64; what is not told is empty.
    #
    #   ShopFace.of("name" => "Skarrow Pump Spares").heading # => ["Skarrow Pump Spares"]
    ShopFace = Value.of(:name, :address, :tax_number, :bank, :terms, :logo) do
      # @return [Array<String>] lines at the head of a paper
      def heading = [name, *address.split("\n")].map(&:strip).reject(&:empty?)

      # @return [String] the line at the foot of it
      def foot = [("tax number #{tax_number}" unless tax_number.empty?), bank, terms].compact.reject(&:empty?).join(" · ")

      # @return [String, nil] bytes of the picture
      def picture = logo.empty? ? nil : logo.unpack1("m")
    end

    # What may be told.
    class ShopFace
      # Longest of each, in characters; a logo of some 70 kB.
      LONGEST = { "name" => 80, "address" => 300, "tax_number" => 40, "bank" => 120, "terms" => 300, "logo" => 96_000 }.freeze
      # What a picture begins with.
      PICTURES = ["\x89PNG\r\n\x1A\n".b, "\xFF\xD8\xFF".b].freeze

      # @param told [Hash{String=>String}]
      # @return [ShopFace]
      # @raise [InputError] names the field
      def self.of(told)
        face = new(**LONGEST.to_h { |field, longest| [field.to_sym, fitting(field, told.fetch(field, "").to_s.strip, longest)] })
        face.picture.nil? || PICTURES.any? { |start| face.picture.start_with?(start) } ||
          InputError.reject("logo", "no_picture", "The logo is no PNG or JPEG picture: save it as one of these.")
        face
      end

      def self.fitting(field, text, longest)
        return text if text.size <= longest

        InputError.reject(field, "too_long",
                          field == "logo" ? "The logo is too large: 70 kB at most." : "#{field.tr('_', ' ')}: #{longest} characters at most.")
      end
      private_class_method :fitting
    end
  end
end
