# frozen_string_literal: true

require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # A part that the customer has already.
      class Had < Kind
        field "number", TEXT.call(40)
        field "quantity", QUANTITY.merge("type" => "integer")

        def self.check(body, known)
          known.snapshot.part(body["number"]) || reject("number", "unknown_part", "No pump has a part “#{body['number']}”.")
          body
        end

        def self.fold(entries, _live) = { had: latest(entries, "number") { |body| body["quantity"] if body["quantity"].positive? } }
        def self.words(body, _areas) = "the customer has #{body['quantity']} × #{body['number']}"
      end
    end
  end
end
