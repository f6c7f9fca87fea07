# frozen_string_literal: true

require_relative "named"

module Gimlet::Core
  module Readings
    module Kinds
      # The designation on the plate, as far as it can be read.
      class Plate
        include Named

        def accept(trait, given, _unit)
          text = words(trait, given)
          InputError.reject("value", "missing_value", "#{trait.name}: “#{given}” has no letter or figure.") if text.count("A-Za-z0-9").zero?
          text
        end

        def hear(_trait, piece) = piece.plate && { value: piece.plate }
      end
    end
  end
end
