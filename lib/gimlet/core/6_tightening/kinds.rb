# frozen_string_literal: true

require_relative "kinds/back_off"
require_relative "kinds/finger_then_turn"
require_relative "kinds/firm"
require_relative "kinds/none"
require_relative "kinds/sets"
require_relative "kinds/snug_then_angle"
require_relative "kinds/tight_then_turn"
require_relative "kinds/torque"
require_relative "kinds/torque_to_next_slot"

module Gimlet::Core
  class Tightening
    # The ways of tightening: another one is another file in kinds/ and a line here.
    module Kinds
      ALL = constants.map { |name| const_get(name) }.sort_by(&:id).to_h { |kind| [kind.id, kind] }.freeze

      # @param tightening [Tightening]
      # @return [Kind]
      def self.of(tightening) = ALL.fetch(tightening.kind).new(tightening)
    end
  end
end
