# frozen_string_literal: true

require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # Words that were not heard, made into a reading or a complaint by hand.
      class TakenUp < Kind
        field "words", TEXT.call(1000)
        field "of", { "type" => "integer" }
        field "reading", READING, required: false
        field "complaint", { "type" => "string" }, required: false

        def self.check(body, known)
          body["words"].strip.empty? && reject("words", "missing", "Type something first.")
          return body.merge("reading" => known.reading(body["reading"])) if body["reading"]

          known.vocabulary.complaints.key?(body["complaint"]) ||
            reject("complaint", "unknown_complaint", "“#{body['complaint']}” is not a complaint known here.")
          body
        end

        def self.items(body) = [{ readings: body["reading"] && [symbols(body["reading"])], complaint: body["complaint"] }]
        def self.words(_body, _areas) = "taken up by hand"
      end
    end
  end
end
