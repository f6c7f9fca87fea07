# frozen_string_literal: true

require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # Nobody can tell: a reading too.
      class NotSure < Kind
        field "trait", { "type" => "string" }

        def self.check(body, known) = body.tap { known.vocabulary.trait(body["trait"]) }
        def self.items(body) = [{ readings: [{ trait: body["trait"], unknown: true }] }]
        def self.words(_body, _areas) = "not sure"
      end
    end
  end
end
