# frozen_string_literal: true

require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # It became an order; kept by the order itself, not sent.
      class Ordered < Kind
        BECOMES = "ordered"

        def self.sent? = false
        def self.words(body, _areas) = "saved as order #{body['order_id']}#{": #{body['reason']}" if body['reason']}"
      end
    end
  end
end
