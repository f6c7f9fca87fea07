# frozen_string_literal: true

require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # Who it is for; nil for nobody.
      class Customer < Kind
        field "customer_id", { "type" => %w[integer null] }

        def self.check(body, known) = body.tap { known.customer(body["customer_id"]) }

        # Named by hand or in a line, whichever came later; by hand nobody may be named.
        def self.fold(entries, live)
          set, heard = entries.last, live.select(&:customer).last
          { customer_id: heard && (set.nil? || heard.of > set.number) ? heard.customer : set&.body&.fetch("customer_id") }
        end

        def self.words(body, _areas) = body["customer_id"] ? "customer named" : "customer not named"
      end
    end
  end
end
