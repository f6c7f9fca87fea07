# frozen_string_literal: true

require_relative "../../reason"
require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # A doubt that stands, and why that is all right; without a reason it is open again.
      class Settled < Kind
        field "doubt", TEXT.call(200)
        field "reason", REASON

        def self.check(body, _known)
          body.tap { body["reason"].nil? || Reason.check(body["reason"], "Say in a few words why the doubt stands.") }
        end

        def self.fold(entries, _live) = { settled: latest(entries, "doubt") { |body| body["reason"] } }

        def self.words(body, _areas)
          body["reason"] ? "“#{plain(body['doubt'])}” stands: #{body['reason']}" : "“#{plain(body['doubt'])}” is open again"
        end
      end
    end
  end
end
