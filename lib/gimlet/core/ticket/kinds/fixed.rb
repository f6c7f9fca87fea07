# frozen_string_literal: true

require_relative "../../reason"
require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # A line of the kit plan set by hand; without a quantity it is left to the plan again.
      class Fixed < Kind
        field "number", TEXT.call(40)
        field "quantity", QUANTITY
        field "reason", REASON, required: false

        def self.check(body, known)
          known.sold(body["number"])
          return body if body["quantity"].nil?

          Reason.check(body["reason"], "Say in a few words why the line is set by hand: it stands on the order and the card.")
          body
        end

        def self.fold(entries, _live) = { fixed: latest(entries, "number") { |body| symbols(body) if body["quantity"] }.values }

        def self.words(body, _areas)
          "#{body['number']} #{body['quantity'] ? "set to #{body['quantity']}: #{body['reason']}" : 'left to the plan again'}"
        end
      end
    end
  end
end
