# frozen_string_literal: true

require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # Which of two meanings of some words was meant: an option of a choice that an earlier line left open, or none of them.
      class Picked < Kind
        field "of", { "type" => "integer", "description" => "The entry whose line left the choice open." }
        field "choice", { "type" => "integer", "minimum" => 0 }
        field "option", { "type" => %w[integer null], "minimum" => 0, "description" => "Null takes none of them." }

        def self.check(body, known)
          choice = known.open_choice(body["of"], body["choice"]) ||
                   reject("choice", "unknown_choice", "Line #{body['of']} leaves no such choice open.")
          return body.merge("items" => [], "words" => choice["words"]) if body["option"].nil?

          items = choice["options"][body["option"]] ||
                  reject("option", "unknown_option", "There are #{choice['options'].size} to choose from.")
          body.merge("items" => items, "words" => choice["words"])
        end

        def self.items(body) = Said.items("heard" => { "items" => body["items"] })
        def self.words(body, _areas) = body["option"] ? "meant" : "meant neither"
      end
    end
  end
end
