# frozen_string_literal: true

require_relative "../../core"

module Gimlet::Core
  # How far a rebuild goes: two schools and the middle way, each with its warning.
  module Extent
    NAMES = { "leak_only" => "only what was agreed", "recommended" => "what wears together", "complete" => "everything that comes apart" }.freeze
    WARNINGS = {
      "leak_only" => "Parts that pass inspection go back with fresh O-rings. They are as old as before, and new parts run against them.",
      "recommended" => nil,
      "complete" => "Parts that may still be good are renewed unseen."
    }.freeze
    USUAL = "recommended"
  end
end
