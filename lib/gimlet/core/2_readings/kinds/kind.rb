# frozen_string_literal: true

require_relative "../../plain"
require_relative "../../input_error"
require_relative "../likelihoods"

module Gimlet::Core
  module Readings
    module Kinds
      # What all kinds of trait share, and what most of them answer to the questions that are asked of any.
      module Kind
        LONGEST = 60

        # @return [Float] chance that this observer names a wrong value of this trait
        def mistaken(reading)
          rate = reading.definition.mistaken * Likelihoods::OBSERVERS.fetch(reading.observer) * (reading.hedged ? Likelihoods::HEDGED : 1)
          [rate, Likelihoods::WORST].min
        end

        # @return [Boolean] whether it is answered by typing; whether a bare figure answers it
        def free? = false
        def figure? = false

        # @return [Boolean] whether a catalogue document may define such a trait, and two pumps be compared by it
        def definable? = true
        def compared? = true

        # @return [Boolean] whether its values are words of the vocabulary; whether a menu can list those on file
        def worded? = false
        def listed? = false

        # @return [Boolean] whether one of many values on file can be taken at its word
        def at_its_word? = true

        # @return [Boolean] whether it is measured with a tool that may be named
        def with_tool? = false

        # @return [String] that it was read or measured with, where nobody said
        def tool(usual) = usual

        # @return [Boolean] whether such a value may stand in a catalogue document
        def keeps?(value) = !value.is_a?(Numeric) && !value.is_a?(Range)

        # @return [Boolean] whether documents have it as a number
        def number? = false

        # @param noun [String, nil] nil where it answers the open question
        # @return [String] how a value is typed
        def example(_trait, value, noun) = [value, noun].compact.join(" ")

        # @return [Object, nil] what finds the values that a reading speaks of, where going through all of them is too slow
        def index(_values, _before = nil) = nil

        # @return [Boolean] whether nothing is on file
        def blank?(value) = value.nil? || value == []

        # @return [Boolean] whether a value can be given as an answer
        def answer?(value) = !blank?(value)

        # @return [Hash, nil] what "none" and "no caps" say of it, where that is neither a value of its own nor not knowing
        def none(_trait) = nil

        # @return [Boolean] whether "no plate" says that it is not known
        def not_to_be_read?(_trait) = false

        # @return [Hash, nil] what two pieces say together: "a socket, 13"
        def hear_apart(_pieces) = nil

        # @return [Boolean] whether a piece that stands alone can only be of such a trait
        def alone?(_piece) = false

        # @return [Boolean] whether a figure with a unit beside its noun is of it
        def with_unit?(_trait) = true

        # @return [Boolean] whether such a phrase of the vocabulary is heard as a figure anyway
        def heard_as_figure?(_phrase) = false

        # @param behind [Boolean] whether the figure stands behind the noun
        # @param taking [#call] whether "take" or "for" stands between them
        # @param counted [#call] whether the noun may be counted with it
        # @return [Boolean] whether a figure without a unit is of it: before a noun it counts, behind one it may be its size
        def bare?(_trait, _piece, **) = false

        # @return [Boolean] whether the noun may be counted with it
        def counts?(_trait, _figure) = false

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

          shown = "#{Plain.number(number, 4)} #{trait.unit}".strip
          InputError.reject("value", "out_of_range", "#{trait.name} #{shown} is beyond any pump here (at most #{trait.most}): " \
                                                     "check the figure and unit.")
        end
      end
    end
  end
end
