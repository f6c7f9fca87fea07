# frozen_string_literal: true

require_relative "../core/input_error"

module Gimlet
  module Counter
    # Writes down somebody who calls for the first time.
    #
    #   AddCustomer.new(customers).call("Tideway Oysters", "Skarrow") # => {id: 7, name: "Tideway Oysters", place: "Skarrow", pumps: []}
    class AddCustomer
      # @param customers [Store::Customers]
      def initialize(customers)
        @customers = customers
      end

      # @return [Hash] id, name, place, pumps
      # @raise [Core::InputError] nobody was added
      def call(name, place)
        name, place = [name, place].map { |text| text.strip.squeeze(" ") }
        name.empty? && Core::InputError.reject("name", "missing",
                                               "Say what the customer is called: new customer, then the name, a comma and the place.")
        @customers.add(name,
                       place) || Core::InputError.reject("name", "known",
                                                         "There is a customer called “#{name}” already: type the name to choose them.")
      end
    end
  end
end
