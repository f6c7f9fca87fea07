# frozen_string_literal: true

require_relative "../../6_tightening/entered"
require_relative "../../6_tightening/instruction"
require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # A torque with its source, where the sheet of that pump has none; without a value it is taken back.
      class Entered < Kind
        KEPT = %w[pump value unit source].freeze

        field "pump", TEXT.call(80)
        field "fastener", TEXT.call(60)
        field "value", OPTIONAL_NUMBER
        field "unit", { "$ref" => "#/components/schemas/TorqueUnit" }, required: false
        field "source", TEXT.call(200), required: false

        def self.schema = super.merge("anyOf" => [{ "properties" => { "value" => { "type" => "null" } } }, { "required" => %w[unit source] }])

        def self.check(body, known)
          pump = known.snapshot.variants.find { |variant| variant.id == body["pump"] } ||
                 reject("pump", "unknown_pump", "There is no pump “#{body['pump']}”.")
          fastener = pump.series.fastener(body["fastener"]) ||
                     reject("fastener", "unknown_fastener", "#{pump.id} has no “#{body['fastener']}” to tighten.")
          unless Tightening::Instruct.published(fastener, pump).kind == "none"
            reject("fastener", "on_file", "The sheet has a value for the #{fastener.name}: that one stands.")
          end
          body["value"] && Tightening::Entered.of(*body.values_at("value", "unit", "source"))
          body
        end

        def self.fold(entries, _live) = { entered: latest(entries, "fastener") { |body| symbols(body.slice(*KEPT)) if body["value"] } }

        def self.words(body, _areas)
          name = plain(body["fastener"])
          body["value"] ? "#{name}: #{body['value']} #{body['unit']}, from #{body['source']}" : "#{name}: no value"
        end
      end
    end
  end
end
