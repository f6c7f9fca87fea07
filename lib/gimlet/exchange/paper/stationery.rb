# frozen_string_literal: true

require_relative "../../core/desk/shop_face"
require_relative "../../core/desk/shop_format"
require_relative "../../core/value"

module Gimlet
  module Exchange
    module Paper
      # What a shop prints on: its paper, how it writes money and dates, and who it is.
      #
      #   Quote.call(order, life, total, on: Stationery.of(paper: "LETTER"))
      Stationery = Core::Value.of(:paper, :ways, :face) do
        # @param paper [String, nil] of SIZES, nil for the shop's own
        # @param ways [Core::Desk::ShopFormat]
        # @param face [Core::Desk::ShopFace]
        def self.of(paper: nil, ways: Core::Desk::ShopFormat.of({}), face: Core::Desk::ShopFace.of({}))
          new(paper: paper || ways.paper, ways: ways, face: face)
        end
      end
    end
  end
end
