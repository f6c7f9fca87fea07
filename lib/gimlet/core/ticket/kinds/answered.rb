# frozen_string_literal: true

require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # An answer that was chosen instead of typed.
      class Answered < Kind
        field "reading", READING
        field "label", TEXT.call(200), required: false

        def self.check(body, known) = body.merge("reading" => known.reading(body["reading"]))
        def self.items(body) = [{ readings: [symbols(body["reading"])] }]
        def self.words(body, _areas) = body["label"] || "answered"
      end
    end
  end
end
