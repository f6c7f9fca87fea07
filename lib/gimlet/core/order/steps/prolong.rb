# frozen_string_literal: true

require "date"
require_relative "../step"

module Gimlet::Core
  class Order
    module Steps
      # A quote stands for longer.
      class Prolong < Step
        NAME = "give the quote more days"
        FROM = %w[quoted].freeze
        field "until", { "type" => "string", "format" => "date" }

        def self.call(body, life)
          day = Date.strptime(body["until"], "%Y-%m-%d")
          day >= life.today || reject("until", "past", "#{body['until']} is past: name a day to come.")
          outcome(body, columns: { valid_until: body["until"] })
        rescue Date::Error
          reject("until", "bad_day", "A day is written as 2026-11-26.")
        end

        def self.next?(_life) = true

        def self.words(body) = "the quote stands until #{body['until']}"
      end
    end
  end
end
