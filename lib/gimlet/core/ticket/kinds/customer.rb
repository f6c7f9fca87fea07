# frozen_string_literal: true

require_relative "../kind"

module Gimlet
  module Core
    module Ticket
      module Kinds
        # Who it is for; nil for nobody.
        class Customer < Kind
          field "customer_id", { "type" => %w[integer null] }

          def self.check(body, known) = body.tap { known.customer(body["customer_id"]) }
          def self.fold(entries, _live) = { customer_id: entries.last&.body&.fetch("customer_id") }
          def self.words(body, _areas) = body["customer_id"] ? "customer named" : "customer not named"
        end
      end
    end
  end
end
