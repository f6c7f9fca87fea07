# frozen_string_literal: true

require_relative "../step"

module Gimlet::Core
  class Order
    module Steps
      # Nothing more comes of it: what went along and did not come back is charged.
      class Close < Step
        NAME = "close"
        FROM = %w[handed_over].freeze
        BUTTON = "Close: nothing more comes back"
        SERVICE = true

        def self.call(body, life)
          no_tools_out(life)
          outcome(body, stage: "closed")
        end

        def self.undo(_body, _life) = { stage: "handed_over" }
        def self.words(_body) = "closed"
      end
    end
  end
end
