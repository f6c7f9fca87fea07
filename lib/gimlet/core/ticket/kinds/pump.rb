# frozen_string_literal: true

require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # The candidate taken by hand; nil takes the leading order.
      class Pump < Kind
        field "id", { "type" => %w[string null], "maxLength" => 80 }

        def self.fold(entries, _live) = { chosen: entries.last&.body&.fetch("id") }
        def self.words(body, _areas) = body["id"] ? "#{body['id']} taken by hand" : "the leading order again"
      end
    end
  end
end
