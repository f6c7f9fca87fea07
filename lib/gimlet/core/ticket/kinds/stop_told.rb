# frozen_string_literal: true

require_relative "../../reason"
require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # What is done first was read out to the caller, of one danger; what they were told is kept, with who told them.
      class StopTold < Kind
        field "hazard", TEXT.call(40)
        field "words", { "type" => "string", "maxLength" => 1000 }

        def self.check(body, known)
          known.hazard(body["hazard"])
          Reason.said?(body["words"]) || reject("words", "missing", "Say what the caller was told.")
          body
        end

        def self.follow(_body, _ticket) = nil
        def self.words(body, _areas) = "told the caller, #{plain(body['hazard'])}: #{body['words']}"
      end
    end
  end
end
