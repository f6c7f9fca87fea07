# frozen_string_literal: true

require_relative "../../0_quantities/typed_day"
require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # This shop has no sheet of the pump: what was said is kept whole, the caller hears by a day, and no other pump's order is made of it.
      # Said again, it is another day.
      class Sighted < Kind
        BECOMES = "sighted"
        # By when the caller hears where nobody says a day. Common practice, no source.
        WITHIN_DAYS = 7

        field "due_on", { "type" => %w[string null], "maxLength" => 30 }, required: false

        def self.check(body, known)
          day = body["due_on"] ? TypedDay.ahead(body["due_on"], known.today, field: "due_on") : known.today + WITHIN_DAYS
          { "due_on" => day.iso8601 }
        end

        # @return [Hash] sighted: when it was kept and by when the caller hears, nil where it never was
        def self.fold(entries, _live) = { sighted: entries.any? ? { at: entries.first.at, due_on: entries.last.body["due_on"] } : nil }
        def self.words(body, _areas) = "kept as a pump that is not on file: they hear by #{body['due_on']}"
      end
    end
  end
end
