# frozen_string_literal: true

require_relative "../input_error"

module Gimlet
  module Core
    module Desk
      # An amount of money as it is typed at the desk.
      #
      #   Deposit.cents("25") # => 2500
      module Deposit
        FIGURE = /\A(\d{1,5})(?:[.,](\d{1,2}))?\z/

        module_function

        # @param text [String]
        # @param field [String] named where it cannot be read
        # @return [Integer] cents
        # @raise [InputError]
        def cents(text, field: "deposit")
          told = text.to_s.strip.delete_prefix("€").strip.match(FIGURE) or
            InputError.reject(field, "no_amount", "“#{text.to_s.strip[0, 20]}” is no amount: type it as 25 or 25.50, nothing as 0.")
          (told[1].to_i * 100) + told[2].to_s.ljust(2, "0").to_i
        end
      end
    end
  end
end
