# frozen_string_literal: true

require_relative "../0_quantities/quantity"
require_relative "../1_catalogue/tightening"
require_relative "../input_error"
require_relative "../value"
require_relative "ceiling"

module Gimlet::Core
  class Tightening
    # A value that the specialist found where the series sheet has none, and where it stands.
    Entered = Value.of(:torque, :source)

    # Checking what was typed.
    class Entered
      SOURCE = 3

      # @param value [Numeric]
      # @param unit [String] of torque
      # @param source [String] a manual and its page, a letter of the maker
      # @return [Entered]
      # @raise [InputError]
      def self.of(value, unit, source)
        torque = Quantity.of(value, unit)
        InputError.reject("unit", "unknown_unit", "“#{unit}” is no unit of torque.") unless torque.kind == :torque
        return new(torque: torque, source: source.strip) if source.to_s.strip.size >= SOURCE

        InputError.reject("source", "no_source", "Say where the value stands, such as the manual and its page: it is printed with it.")
      end

      # @param fastener [Catalogue::Fastener]
      # @return [String, nil] where such a thread commonly takes much less, or much more
      def doubt(fastener)
        odd = Ceiling.odd(fastener.thread, torque)
        odd && "#{odd} Look again before it is used."
      end
    end
  end
end
