# frozen_string_literal: true

require_relative "../../input_error"
require_relative "../odds"

module Gimlet
  module Core
    module Readings
      module Kinds
        # What all kinds of trait share: how often a reading is mistaken, and checks of what was given.
        module Told
          LONGEST = 60

          # @return [Float] chance that this observer names a wrong value of this trait
          def mistaken(reading)
            rate = reading.definition.mistaken * Odds::OBSERVERS.fetch(reading.observer) * (reading.hedged ? Odds::HEDGED : 1)
            [rate, Odds::WORST].min
          end

          def free? = false
          def figure? = false

          # @return [Object, nil] what finds the values that a reading speaks of, where going through all of them is too slow
          def index(_values) = nil

          # @return [Boolean] whether nothing is on file
          def blank?(value) = value.nil? || value == []

          # @return [Boolean] whether a value can be given as an answer
          def answer?(value) = !blank?(value)

          private

          def words(trait, given)
            text = given.to_s.strip
            InputError.reject("value", "missing_value", "#{trait.name}: nothing was given.") if text.empty?
            InputError.reject("value", "too_long", "#{trait.name}: at most #{LONGEST} characters.") if text.size > LONGEST
            text
          end

          def whole(trait, given)
            text = given.is_a?(Numeric) && given == given.to_i ? given.to_i.to_s : given.to_s.strip
            number = text[/\A\d{1,12}\z/]&.to_i
            InputError.reject("value", "not_a_count", "#{trait.name}: “#{given}” is not a whole number.") unless number
            limited(trait, number)
          end

          def limited(trait, number)
            return number unless trait.most && number > trait.most

            shown = "#{number.is_a?(Float) ? number.round(4).to_s.delete_suffix('.0') : number} #{trait.unit}".strip
            InputError.reject("value", "out_of_range", "#{trait.name} #{shown} is beyond any pump here (at most #{trait.most}): " \
                                                       "check the figure and unit.")
          end
        end
      end
    end
  end
end
