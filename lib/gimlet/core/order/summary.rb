# frozen_string_literal: true

require "digest"
require_relative "order"

module Gimlet::Core
  class Order
    # What a list shows of an order, and what it is found by. Kept beside the long records, and made anew when there is another column.
    #
    #   Summary.of(order)["model"] # => "TK4R20 from 31000"
    module Summary
      TEXT = { "type" => "string" }.freeze
      TEXT_OR_NOTHING = { "type" => %w[string null] }.freeze
      WHOLE = { "type" => "integer" }.freeze

      # Column => its JSON Schema, and what it has. Another one is a row here, and a row of the list on screen.
      COLUMNS = {
        "id" => [WHOLE, :id.to_proc], "version" => [WHOLE, :version.to_proc], "created_at" => [TEXT, :created_at.to_proc],
        "customer" => [TEXT_OR_NOTHING, :customer.to_proc],
        "model" => [TEXT, ->(order) { order.record["pump"].values_at("model", "serials").compact.join(" ") }],
        "work" => [{ "type" => "array", "items" => TEXT }, ->(order) { order.record["work"]["areas"].map { |area| area["name"] } }],
        "price_cents" => [WHOLE, ->(order) { order.record["parts"]["price_cents"] }],
        "sure" => [{ "type" => "number" }, ->(order) { order.record["sure"] }],
        "wanted" => [TEXT_OR_NOTHING, ->(order) { order.record["wanted"] }]
      }.freeze
      # What changes from step to step is not kept with them but looked up: state, and since when.
      LIVE = { "state" => TEXT, "since" => TEXT }.freeze
      # Other columns, another format: what was kept in another is made anew.
      FORMAT = Digest::SHA256.hexdigest(COLUMNS.transform_values(&:first).inspect)[0, 12]

      module_function

      # @param order [Order]
      # @return [Hash{String=>Object}] by column
      def of(order) = COLUMNS.transform_values { |_, told| told.call(order) }

      # @return [String] lower case, what it is found by
      def words(order)
        shown = of(order).values_at("id", "customer", "model", "work")
        numbers = order.record["parts"]["lines"].map { |line| line["number"] }
        [shown, order.record["pump"]["maker"], numbers].flatten.compact.join(" ").downcase
      end

      # @return [Hash] JSON Schema
      def schema = { "type" => "object", "required" => COLUMNS.keys + LIVE.keys, "properties" => COLUMNS.transform_values(&:first).merge(LIVE) }
    end
  end
end
