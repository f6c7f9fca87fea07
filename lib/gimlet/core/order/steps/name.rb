# frozen_string_literal: true

require_relative "../step"

module Gimlet::Core
  class Order
    module Steps
      # Whose it is, said or corrected after it was saved.
      class Name < Step
        NAME = "say whose it is"
        FROM = States.ids.freeze
        SERVICE = true
        field "customer_id", { "type" => "integer" }

        def self.call(body, _life) = outcome(body, columns: { customer_id: body["customer_id"] })
        def self.words(body) = "for #{body['customer'] || "customer #{body['customer_id']}"}"
      end
    end
  end
end
