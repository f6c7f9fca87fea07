# frozen_string_literal: true

require_relative "named"

module Gimlet::Core
  module Readings
    module Kinds
      # The number of an old part or kit, whole or in part.
      class Number
        include Named

        def accept(trait, given, _unit)
          text = PlateMatch.plain(words(trait, given))
          InputError.reject("value", "missing_value", "#{trait.name}: “#{given}” has no letter or figure.") if text.delete("*?").empty?
          text
        end

        # What is read from a bag is taken as it was typed, not piece by piece.
        def hear(_trait, _piece) = nil
      end
    end
  end
end
