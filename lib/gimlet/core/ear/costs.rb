# frozen_string_literal: true

require_relative "../../core"

module Gimlet::Core
  module Ear
    # What each part of an explanation costs. The cheapest explanation of a line is what was heard; another that costs little more and says
    # something else is offered beside it. Every number is common practice, no source: they were set so that a word that is left out weighs more
    # than any explanation of it, a false reading more than a question, and nearness more than order.
    module Costs
      # A word left unexplained: one that no list has, a figure, a name of the catalogue, a value, a noun, a word that does something, a filler.
      UNKNOWN = 10.0
      FIGURE = 10.0
      NAME = 10.0
      VALUE = 7.0
      NOUN = 4.0
      SMALL = 2.0
      FILLER = 0.2

      # Every explanation, and what stands inside of it: a comma, a full stop, a word that says nothing.
      RULE = 1.0
      COMMA = 1.0
      STOP = 3.0
      # A figure behind its noun is somewhat less often its count or size than one before it; a noun taken as a value.
      BEHIND = 0.6
      CROSSED = 1.2
      # A letter too many, too few, changed over; a wrong one; only the consonants typed.
      SLIP = 1.5
      WRONG_LETTER = 2.5
      SKELETON = 2.0

      # Explanations that need company or quiet. Each unknown word in its clause weighs this much against one that is weak; one that stands alone
      # needs a line about a pump.
      WEAK = 4.0
      LONELY = 9.0
      # Work that nobody asked for, beside a complaint.
      BARE = 5.0
      # A rating that nothing else of the pump stands beside.
      UNFRAMED = 1.5
      # What is said behind "sorry" of something that was spoken of, and of something that was not.
      PUT_RIGHT = -1.0
      IN_VAIN = 1.0
      # Two explanations this near are both shown.
      NEAR = 0.9
      # So many explanations of the line so far are followed at once.
      BEAM = 6
      # What costs so much more than the best so far is not followed.
      FOLLOWED = 12.0
    end
  end
end
