# frozen_string_literal: true

require_relative "../input_error"
require_relative "../value"
require_relative "name"

module Gimlet::Core
  module Desk
    # Who calls, as it is typed in one line: the name, then what is known of place, phone and mail, in any order, between commas.
    #
    #   CustomerLine.read("Pier Nine Icehouse, Salt Quay, 0160 442 118").phone # => "0160 442 118"
    CustomerLine = Value.of(:name, :place, :phone, :email)

    # Reading it.
    class CustomerLine
      # Figures, and what is written between them.
      PHONE = %r{\A[+(]?\d[\d ()/.+-]{3,}\z}
      EMAIL = /\A[^@\s]+@[^@\s]+\.[^@\s]+\z/

      # @param text [String]
      # @return [CustomerLine] empty where nothing is said
      # @raise [InputError] without a name
      def self.read(text)
        name, *rest = text.split(",").map { |part| Name.seen(part) }
        Name.folded(name).empty? && InputError.reject("name", "missing",
                                                      "Say what the customer is called: new customer, then name, place and phone, commas between.")
        phone, rest = rest.reject(&:empty?).partition { |part| part.match?(PHONE) }
        email, place = rest.partition { |part| part.match?(EMAIL) }
        new(name: Name.read(text.split(",").first), place: place.join(", "), phone: phone.first.to_s, email: email.first.to_s)
      end
    end
  end
end
