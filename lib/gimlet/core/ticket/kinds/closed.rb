# frozen_string_literal: true

require_relative "../../reason"
require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # Nothing comes of the ticket.
      class Closed < Kind
        BECOMES = "closed"

        field "reason", REASON

        def self.check(body, _known) = body.tap { Reason.check(body["reason"], "Say in a few words why: it stands in the call.") }
        def self.words(body, _areas) = "closed: #{body['reason']}"
      end
    end
  end
end
