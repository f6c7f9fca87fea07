# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Assembly
    # What a job asks of a hand and does not say how. `place` is the step, piece or substance; `text` what is missing and how to put it right.
    Gap = Value.of(:place, :text)
  end
end
