# frozen_string_literal: true

require_relative "../step"

module Gimlet
  module Core
    class Order
      module Steps
        # Percent off the whole of it.
        class Discount < Step
          NAME = "give a discount"
          FROM = %w[quoted ordered waiting picked checked].freeze
          # Two digits behind the point at most.
          PERCENT = /\A\d{1,2}([.,]\d{1,2})?\z/

          field "percent", { "type" => %w[string number], "maxLength" => 10 }

          def self.call(body, _life)
            text = body["percent"].to_s.strip.delete_suffix("%").strip
            text.match?(PERCENT) || reject("percent", "bad_percent", "A discount is a percentage from 0 to 99.99, such as 5 or 7.5.")
            percent = text.tr(",", ".")
            outcome({ "percent" => percent }, columns: { discount: percent })
          end

          def self.words(body) = "#{body['percent']} % off"
        end
      end
    end
  end
end
