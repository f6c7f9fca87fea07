# frozen_string_literal: true

require_relative "kind"

module Gimlet::Core
  class Tightening
    module Kinds
      # To a value: 50 N·m.
      class Torque < Kind
        needs_torque
      end
    end
  end
end
