# frozen_string_literal: true

require_relative "../input_error"

module Gimlet::Core
  module Flow
    # The number on a nozzle as it is stamped and spoken: 045 is 4.5, 04 is 4, 4.5 is itself; an angle may stand before it (25045, 25-045).
    module NozzleNumber
      ANGLES = %w[00 15 25 40 60 65].freeze

      module_function

      # @param text [String, Numeric]
      # @return [Float]
      # @raise [InputError]
      def read(text, field: "nozzle")
        told = text.to_s.strip.delete_prefix("#")
        return told.to_f if told.match?(/\A[1-9]\d?(\.\d+)?\z/)

        size = told[/\A(?:#{ANGLES.join('|')})?[ -]?(0\d{1,2})\z/o, 1] || told[/\A(?:#{ANGLES.join('|')})[ -]?(\d{2})\z/o, 1]
        size || InputError.reject(field, "no_nozzle", "“#{told[0, 20]}” is no nozzle number: type it as 4.5, 045 or 25045.")
        value = size.size == 3 ? size.to_i / 10.0 : size.to_f
        value.positive? ? value : InputError.reject(field, "no_nozzle", "A nozzle number is above zero.")
      end
    end
  end
end
