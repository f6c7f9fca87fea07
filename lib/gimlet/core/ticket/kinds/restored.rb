# frozen_string_literal: true

require_relative "struck"

module Gimlet::Core
  module Ticket
    module Kinds
      # What was struck out counts again.
      class Restored < Kind
        Struck.fields.each { |name, schema| field(name, schema, required: Struck.required.include?(name)) }

        def self.follow(body, ticket) = Struck.follow(body, ticket)

        # All of a line, or one item of it.
        def self.strike(body, struck)
          return struck.delete_if { |(of, _), _| of == body["of"] } if body["item"].nil?

          [body.values_at("of", "item"), [body["of"], nil]].each { |key| struck.delete(key) }
        end

        def self.words(body, _areas) = "brought back: line #{body['of']}"
      end
    end
  end
end
