# frozen_string_literal: true

require_relative "../../0_quantities/money"
require_relative "../../0_quantities/typed_day"
require_relative "../step"

module Gimlet::Core
  class Order
    module Steps
      # A tool made for the pump goes along, until a day.
      class Lend < Step
        NAME = "lend a tool"
        FROM = %w[ordered waiting picked checked handed_over].freeze

        field "tool", TEXT.call(60)
        field "until", TEXT.call(30)
        field "deposit", { "type" => "string", "maxLength" => 12 }

        # @param body [Hash{String=>Object}] with "found", the Desk::Loan of that tag, or nil
        def self.call(body, life)
          tool = body["found"] || reject("tool", "unknown_tool", "No tool has the tag “#{body['tool']}”: read it again.")
          elsewhere(tool, life)
          day = TypedDay.ahead(body["until"], life.today, field: "until")
          cents = Money.cents(body["deposit"], field: "deposit")
          outcome({ "tool" => tool.tag, "name" => tool.name, "until" => day.iso8601, "deposit_cents" => cents },
                  loan: { state: "out", tag: tool.tag, until: day.iso8601, deposit_cents: cents })
        end

        def self.elsewhere(tool, life)
          tool.out? && reject("tool", "out", "#{tool.tag} is out with #{tool.customer || "order #{tool.order_id}"} until #{tool.until}.")
          tool.state == "promised" && tool.order_id != life.id && reject("tool", "promised", "#{tool.tag} is promised to order #{tool.order_id}.")
        end

        private_class_method :elsewhere

        def self.undo(body, _life) = { loan: { state: "back", tag: body["tool"] } }

        def self.words(body)
          "lent #{body['tool']} #{body['name']} until #{body['until']}, deposit #{Money.plain(body['deposit_cents'])}"
        end
      end
    end
  end
end
