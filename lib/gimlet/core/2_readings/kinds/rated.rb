# frozen_string_literal: true

require_relative "measured"

module Gimlet
  module Core
    module Readings
      module Kinds
        # A value on papers or on the machine's plate.
        class Rated < Measured
          private

          def tolerance(_reading, value) = Odds::RATING_TOLERANCE * value
        end
      end
    end
  end
end
