# frozen_string_literal: true

require_relative "../../reason"
require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # What goes along and serves nothing of the work itself; without a quantity it stays here.
      class Also < Kind
        field "number", TEXT.call(40)
        field "quantity", QUANTITY
        field "reason", REASON, required: false

        def self.check(body, known)
          known.sold(body["number"])
          return body if body["quantity"].nil?

          body["quantity"].positive? || reject("quantity", "too_few", "At least one of it goes along.")
          Reason.check(body["reason"], "Say in a few words what it is for: it stands on the order and the card.")
          body
        end

        def self.fold(entries, _live) = { also: latest(entries, "number") { |body| symbols(body) if body["quantity"] }.values }

        def self.words(body, _areas)
          body["quantity"] ? "#{body['quantity']} × #{body['number']} added: #{body['reason']}" : "#{body['number']} stays here"
        end
      end
    end
  end
end
