# frozen_string_literal: true

require_relative "../../0_quantities/typed_day"
require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # By which day all of it is wanted; nil where no day was said.
      class Wanted < Kind
        field "by", { "type" => %w[string null], "maxLength" => 30 }

        def self.check(body, known)
          { "by" => body["by"] && TypedDay.ahead(body["by"], known.today, field: "by").iso8601 }
        end

        def self.fold(entries, _live) = { wanted: entries.last&.body&.fetch("by") }
        def self.words(body, _areas) = body["by"] ? "wanted by #{body['by']}" : "wanted by no day"
      end
    end
  end
end
