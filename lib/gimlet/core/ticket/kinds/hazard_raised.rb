# frozen_string_literal: true

require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # A danger that was asked about, and is there; or one that somebody at the counter raises by hand.
      class HazardRaised < Kind
        field "hazard", TEXT.call(40)

        def self.check(body, known) = body.tap { known.hazard(body["hazard"]) }
        # A danger is told of at any time, also when the order is placed.
        def self.follow(_body, _ticket) = nil
        def self.words(body, _areas) = "STOP: #{plain(body['hazard'])}"
      end
    end
  end
end
