# frozen_string_literal: true

require_relative "../../7_tools/wrench"
require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # A tool that the customer has, or has not; a torque wrench with its range, and its marks if known.
      class Owns < Kind
        NUMBER = { "type" => "number" }.freeze
        RANGE = %w[from to unit mark].freeze

        field "has", { "type" => "boolean" }
        field "tool", TEXT.call(200), required: false
        field "from", NUMBER, required: false
        field "to", NUMBER, required: false
        field "unit", { "$ref" => "#/components/schemas/TorqueUnit" }, required: false
        field "mark", OPTIONAL_NUMBER, required: false

        def self.schema = super.merge("anyOf" => [{ "required" => ["tool"] }, { "required" => %w[from to unit] }])

        # A torque wrench is called by its range.
        def self.check(body, _known)
          return body.merge("tool" => Tools::Wrench.customer(*body.values_at(*RANGE)).name) if body["from"]

          body["tool"].to_s.strip.empty? ? reject("tool", "missing", "Type something first.") : body
        end

        # @return [Hash] tool => range of a torque wrench, or nothing; nil for one that the customer has not
        def self.fold(entries, _live)
          { owned: entries.to_h { |entry| [entry.body["tool"], (entry.body.slice(*RANGE) if entry.body["has"])] } }
        end

        def self.words(body, _areas) = "the customer has #{'no ' unless body['has']}#{body['tool'].delete_prefix("customer's ")}"
      end
    end
  end
end
