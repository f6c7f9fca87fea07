# frozen_string_literal: true

require_relative "../../reason"
require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # A closed ticket goes on, or its order is amended.
      class Reopened < Kind
        BECOMES = "open"

        field "reason", REASON

        def self.check(body, _known) = body.tap { Reason.check(body["reason"], "Say in a few words why: it stands in the call.") }
        def self.follow(_body, ticket) = ticket.state == "open" && reject("kind", "open", "This ticket is open.")
        def self.words(body, _areas) = "opened again: #{body['reason']}"
      end
    end
  end
end
