# frozen_string_literal: true

require_relative "../percent"
require_relative "../step"

module Gimlet::Core
  class Order
    module Steps
      # Percent off the whole of it.
      class Discount < Step
        NAME = "give a discount"
        FROM = %w[quoted ordered waiting picked checked].freeze
        field "percent", { "type" => %w[string number], "maxLength" => 10 }

        def self.call(body, life)
          percent = Percent.read(body["percent"])
          outcome({ "percent" => percent, "was" => life.discount }, columns: { discount: percent })
        end

        def self.undo(body, _life) = body["was"] && { columns: { discount: body["was"] } }

        def self.words(body) = "#{body['percent']} % off"
      end
    end
  end
end
