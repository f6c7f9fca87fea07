# frozen_string_literal: true

require_relative "../plain"
require_relative "../0_quantities/quantity"
require_relative "../input_error"
require_relative "../value"

module Gimlet::Core
  module Tools
    # A torque wrench and what it may be set to. `own` says that it is the customer's, not lent here: it has its `unit` and, where it was
    # said, what lies between two marks of its scale in that unit.
    Wrench = Value.of(:name, :from_nm, :to_nm, :own, :unit, :mark) do
      def reaches?(torque_nm) = torque_nm.between?(from_nm, to_nm)
    end

    # Making them.
    class Wrench
      # ISO 6789 calibrates from 20 % of full scale up (from memory).
      LOWEST_SHARE = Rational(20, 100)

      # @param full_nm [Integer] full scale
      # @return [Wrench] one that is lent here
      def self.lent(full_nm)
        from = full_nm * LOWEST_SHARE
        new(name: "torque wrench to #{full_nm} N·m (from #{Plain.number(from.to_f, 1)})", from_nm: from, to_nm: full_nm, own: false)
      end

      # @param from [Numeric] as it says on it
      # @param upto [Numeric]
      # @param unit [String] of torque
      # @param mark [Numeric, nil] from one mark of its scale to the next
      # @return [Wrench] the customer's
      # @raise [InputError]
      def self.customer(from, upto, unit, mark = nil)
        low, high = Quantity.of(from, unit, field: "from"), Quantity.of(upto, unit, field: "to")
        InputError.reject("unit", "unknown_unit", "“#{unit}” is no unit of torque.") unless low.kind == :torque
        if low.value >= high.value
          InputError.reject("to", "upside_down", "A wrench from #{from} to #{upto} #{unit} is upside down: the smaller figure comes first.")
        end
        unless mark.nil? || (mark.positive? && mark <= from)
          InputError.reject("mark", "out_of_range", "Marks every #{mark} #{unit} do not go with a wrench from #{from} #{unit}: they are above " \
                                                    "zero and no further apart than that.")
        end
        name = "customer's torque wrench #{Plain.number(from)} to #{Plain.number(upto)} #{low.unit}"
        new(name: name, from_nm: low.to("N·m").value, to_nm: high.to("N·m").value, own: true, unit: low.unit, mark: mark)
      end
    end
  end
end
