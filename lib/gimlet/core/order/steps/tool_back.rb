# frozen_string_literal: true

require_relative "../step"

module Gimlet::Core
  class Order
    module Steps
      # A lent tool comes back, as it is.
      class ToolBack < Step
        NAME = "take a tool back"
        FROM = %w[ordered waiting picked checked handed_over].freeze
        CONDITIONS = %w[good worn damaged].freeze

        field "tool", TEXT.call(60)
        field "condition", { "enum" => CONDITIONS }

        def self.call(body, life)
          tool = life.loans.find { |one| one.tag.casecmp?(body["tool"].strip) && one.out? } ||
                 reject("tool", "not_out", "“#{body['tool']}” is not out for order #{life.id}.")
          outcome({ "tool" => tool.tag, "name" => tool.name, "condition" => body["condition"], "deposit_cents" => tool.deposit_cents,
                    "was" => { "condition" => tool.condition, "until" => tool.until&.iso8601 } },
                  loan: { state: "back", tag: tool.tag, condition: body["condition"] })
        end

        # It is out as it was.
        def self.undo(body, _life)
          body["was"] && { loan: { state: "out", tag: body["tool"], deposit_cents: body["deposit_cents"], **body["was"].transform_keys(&:to_sym) } }
        end

        def self.words(body) = "#{body['tool']} #{body['name']} came back, #{body['condition']}"
      end
    end
  end
end
