# frozen_string_literal: true

require_relative "kinds/chosen"
require_relative "kinds/counted"
require_relative "kinds/keyed"
require_relative "kinds/measured"
require_relative "kinds/number"
require_relative "kinds/plate"
require_relative "kinds/rated"
require_relative "kinds/serial"
require_relative "kinds/threaded"

module Gimlet::Core
  module Readings
    # The kinds of trait: another one is another file in kinds/ and a line here. Each knows for its own traits, and nothing else does:
    #
    #   accept(trait, given, unit)        a checked value, or an InputError
    #   hear(trait, piece)                what a piece of a typed line says of the trait, nil when nothing
    #   fits(reading, value, choices)     P(reading | value on file), up to a factor that is the same for every value
    #   unseen(reading, values)           the same for a pump whose value no pump of the catalogue has
    #   best(reading)                     what `fits` gives a value that could not fit better
    #   label(trait, value)               how a value is said
    #
    # and what kinds/kind.rb has an answer to for most of them.
    module Kinds
      ALL = { "counted" => Counted.new, "chosen" => Chosen.new, "keyed" => Keyed.new, "threaded" => Threaded.new,
              "measured" => Measured.new, "rated" => Rated.new, "plate" => Plate.new, "serial" => Serial.new,
              "number" => Number.new }.freeze

      # @return [Array<String>] that a catalogue document may define traits of
      def self.definable = ALL.filter_map { |id, kind| id if kind.definable? }
    end
  end
end
