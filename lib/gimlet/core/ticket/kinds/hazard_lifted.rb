# frozen_string_literal: true

require_relative "../../reason"
require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # A danger that is over, or was none: what was looked at, in words. What was said of it stays.
      class HazardLifted < Kind
        field "hazard", TEXT.call(40)
        field "reason", { "type" => "string", "maxLength" => 400 }

        def self.check(body, known)
          hazard = known.hazard(body["hazard"])
          Reason.check(body["reason"], "Say what was looked at before this is lifted: #{hazard.lifted}.")
          body
        end

        def self.follow(_body, _ticket) = nil
        def self.words(body, _areas) = "lifted, #{plain(body['hazard'])}: #{body['reason']}"
      end
    end
  end
end
