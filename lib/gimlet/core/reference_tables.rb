# frozen_string_literal: true

require_relative "value"

module Gimlet
  module Core
    # The published tables that rules rest on, handed to whoever asks by them: `rings` is Sizes::Standards, `fit` Sizes::Fit, `elastomers`
    # Materials::Table.
    ReferenceTables = Value.of(:rings, :fit, :elastomers)
  end
end
