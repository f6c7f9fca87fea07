# frozen_string_literal: true

require_relative "../../5_kit_plan/plans"
require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # Which of the kit plans is bought, where it is not the one that leads.
      class Plan < Kind
        field "policy", { "type" => "string", "enum" => KitPlan::POLICIES.keys }

        def self.fold(entries, _live) = { policy: entries.last&.body&.fetch("policy") }
        def self.words(body, _areas) = "buy #{KitPlan::POLICIES.fetch(body['policy'])}"
      end
    end
  end
end
