# frozen_string_literal: true

require_relative "../input_error"
require_relative "order"

module Gimlet::Core
  class Order
    # A discount or a tax as it is typed.
    #
    #   Percent.read("7,5 %") # => "7.5"
    module Percent
      # Two digits behind the point at most.
      FIGURE = /\A\d{1,2}([.,]\d{1,2})?\z/

      module_function

      # @param text [String, Numeric]
      # @return [String] with a point
      # @raise [InputError] of the field "percent"
      def read(text)
        typed = text.to_s.strip.delete_suffix("%").strip
        typed.match?(FIGURE) || InputError.reject("percent", "bad_percent", "Type a percentage from 0 to 99.99, such as 5 or 7.5.")
        typed.tr(",", ".")
      end
    end
  end
end
