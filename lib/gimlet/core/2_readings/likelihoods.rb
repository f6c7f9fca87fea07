# frozen_string_literal: true

require_relative "../../core"

module Gimlet::Core
  module Readings
    # Every number by which a reading is weighed, in one place; what is particular to one trait (`mistaken`, `seconds`) stands in
    # its row of data/vocabulary/traits.yml. All of them are common practice, no source, unless a line says otherwise; bench/trust.rb
    # shows how well "95 %" and the rest hold against simulated callers.
    module Likelihoods
      # How much of a trait's `mistaken` rate remains when this observer says it.
      OBSERVERS = { "caller" => 1.0, "counter" => 0.4, "photo" => 0.6, "old_invoice" => 0.5 }.freeze

      # "I think", "looks like", "about": this many times as often mistaken, and this many times as wide.
      HEDGED = 3
      # However often a thing is mistaken, it still tells more than nothing.
      WORST = 0.45

      # Someone who counts wrongly is this often out by just one.
      OUT_BY_ONE = 0.4
      # Someone wrong about a choice may also name a value that few pumps of this catalogue have.
      FEWEST_CHOICES = 4
      # A size that is plain wrong: another part measured, a scale misread.
      BLUNDER = 0.04
      # Ratings on papers are rounded and converted.
      RATING_TOLERANCE = 0.04
      # A mass differs with oil and fittings.
      MASS_TOLERANCE = 0.03

      # How far, in mm, a used part is commonly off its size: with its wear, and against it (swollen, squashed).
      WORN_MM = 0.25
      SWOLLEN_MM = 0.08
      WORN_PLUNGER_MM = 0.15

      # A plate, sticker or bag of another pump: of a sibling of the same series, or of any other pump, as shares of `mistaken`;
      # the rest is letters that belong to none.
      SIBLING = 0.5
      OTHER_PUMP = 0.4
      NO_NAME = 0.1
      # One glyph guessed among letters and figures.
      CHANCE_GLYPH = 0.04

      # How often a question gets an answer at all: plates are what is missing; what needs the pump opened is not done on the phone.
      ANSWERED = Hash.new(0.9).merge("plate" => 0.5, "serial" => 0.6, "papers" => 0.6, "keys" => 0.7, "opened" => 0.15).freeze
      # Whoever could not answer one question of a group is this much less likely to answer another.
      AGAIN_IN_GROUP = Hash.new(0.35).merge("opened" => 0.02).freeze
      # Who is there with the pump or its parts can open, measure and look.
      AT_HAND = %w[counter parts].freeze

      # "None of these": how many pumps that come over a counter are not in its catalogue, and how often such a pump shows a
      # value that no pump of the catalogue has.
      NOT_IN_CATALOGUE = 0.02
      UNSEEN = 0.15
      # And how often one of a known series in another size shows a size that no other pump has.
      OTHER_SIZE = 0.5
      # Of the pumps that no catalogue has, so many belong to a series that it has.
      KNOWN_SERIES = 0.3
      # Its name then differs in a glyph so many times as often as a plate is misread there, and is never the same.
      SIBLING_GLYPH = 7
      SIBLING_NAME = 0.01
    end
  end
end
