# frozen_string_literal: true

require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # An item of an earlier entry does not count; without an item all of it.
      class Struck < Kind
        field "of", { "type" => "integer" }
        field "item", { "type" => %w[integer null] }, required: false

        # What is struck out or brought back must be there.
        def self.follow(body, ticket)
          super
          line = ticket.lines.find { |one| one.number == body["of"] }
          return if line && body["item"].nil? && line.words
          return if line&.items&.any? && (body["item"].nil? || line.items[body["item"]])

          reject("of", "unknown_entry", "There is nothing to strike out in line #{body['of']}.")
        end

        def self.strike(body, struck) = struck[body.values_at("of", "item")] = true
        def self.words(body, _areas) = "struck out: line #{body['of']}"
      end
    end
  end
end
