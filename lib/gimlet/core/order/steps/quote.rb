# frozen_string_literal: true

require "date"
require_relative "../step"

module Gimlet::Core
  class Order
    module Steps
      # What it would cost, on paper, until a date.
      class Quote < Step
        NAME = "quote"
        FROM = [].freeze
        SAVING = true
        # Days for which prices stand.
        VALID_DAYS = 14

        def self.call(body, life)
          day = (life.today + VALID_DAYS).iso8601
          outcome({ **body, "valid_until" => day }, stage: "quoted", columns: { valid_until: day })
        end

        def self.words(body) = "quoted until #{body['valid_until']}"
      end
    end
  end
end
