# frozen_string_literal: true

require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # The unit of the customer's wrench.
      class Unit < Kind
        USUAL = "N·m"

        field "unit", { "$ref" => "#/components/schemas/TorqueUnit" }

        def self.fold(entries, live) = { unit: later(entries, live, "unit", &:unit) || USUAL }
        def self.words(body, _areas) = "torques in #{body['unit']}"
      end
    end
  end
end
