# frozen_string_literal: true

require_relative "../../0_quantities/typed_day"
require_relative "../step"

module Gimlet::Core
  class Order
    module Steps
      # A quote stands for longer.
      class Prolong < Step
        NAME = "give the quote more days"
        FROM = %w[quoted].freeze
        field "until", TEXT.call(30)

        def self.call(body, life)
          day = TypedDay.ahead(body["until"], life.today, field: "until").iso8601
          outcome({ "until" => day, "was" => life.valid_until&.iso8601 }, columns: { valid_until: day })
        end

        def self.undo(body, _life) = body["was"] && { columns: { valid_until: body["was"] } }

        def self.next?(_life) = true

        def self.words(body) = "the quote stands until #{body['until']}"
      end
    end
  end
end
