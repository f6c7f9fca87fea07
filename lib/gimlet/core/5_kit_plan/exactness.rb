# frozen_string_literal: true

require "highs"
require_relative "../value"

module Gimlet::Core
  module KitPlan
    # Nothing but the best is good enough, and the same order gives the same plan: no gap is left, and one thread works. The gem has no words for
    # these options of HiGHS yet, so they are set on what lies beneath it, here and nowhere else.
    module Exactness
      # Amounts are whole cents, lines or pieces: half of one is less than any difference.
      GAPS = { "mip_rel_gap" => 0.0, "mip_abs_gap" => 0.5 }.freeze

      # @param model [Highs::Model]
      # @raise [RuntimeError] where HiGHS knows an option no more
      def self.ask_of(model)
        told = GAPS.map { |name, value| Highs::FFI.Highs_setDoubleOptionValue(model.to_ptr, +name, value) }
        told << Highs::FFI.Highs_setIntOptionValue(model.to_ptr, +"threads", 1)
        raise "HiGHS does not take an option that exact plans need." unless told.all?(&:zero?)
      end
    end
  end
end
