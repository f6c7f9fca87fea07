# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  # What the shop's day is made of: what lies on the shelf and to whom it is promised, what is lent, what is due.
  module Desk
    # One change of what lies where. `quantity` is in sale units, above zero but for a count; `order_id` is whose pieces they are, if any's;
    # `why` is said where nobody could guess it.
    Movement = Value.of(:kind, :number, :quantity, :order_id, :why) do
      # @return [Hash{Symbol=>Integer}] of Movements::SUMS
      def deltas = Movements::SUMS.to_h { |sum| [sum, (Movements::KINDS.fetch(kind)[sum] || 0) * quantity] }
    end

    # Stock is a ledger: movements only, and sums of them.
    #
    #   Movement.new(kind: "picked", number: "PW-K220", quantity: 1, order_id: 7).deltas
    #   # => {on_hand: -1, reserved: -1, bagged: 1, checked: 0, handed: 0, returned: 0}
    module Movements
      # The first three are sums of a number: on the shelf; of these promised; off the shelf in an order's bag. All but the first are sums of a
      # number in an order: `checked` of those in the bag, `handed` over ever, `returned` of those.
      SUMS = %i[on_hand reserved bagged checked handed returned].freeze

      # What one piece does to each sum.
      KINDS = {
        "received" => { on_hand: 1 }, "counted" => { on_hand: 1 }, "scrapped" => { on_hand: -1 },
        "reserved" => { reserved: 1 }, "released" => { reserved: -1 },
        "picked" => { on_hand: -1, reserved: -1, bagged: 1 }, "put_back" => { on_hand: 1, reserved: 1, bagged: -1 },
        "checked" => { checked: 1 }, "unchecked" => { checked: -1 },
        "handed_over" => { bagged: -1, checked: -1, handed: 1 }, "handed_over_unchecked" => { bagged: -1, handed: 1 },
        "not_handed_over" => { bagged: 1, checked: 1, handed: -1 }, "not_handed_over_unchecked" => { bagged: 1, handed: -1 },
        "returned" => { on_hand: 1, returned: 1 }, "stays_out" => { returned: 1 },
        "not_returned" => { on_hand: -1, returned: -1 }, "not_stays_out" => { returned: -1 },
        "kit_opened" => { on_hand: -1 }, "out_of_kit" => { on_hand: 1 }, "into_kit" => { on_hand: -1 }, "kit_made_up" => { on_hand: 1 }
      }.freeze

      # In words, as the history tells them.
      WORDS = {
        "received" => "received", "counted" => "counted", "scrapped" => "scrapped", "reserved" => "promised", "released" => "promise taken back",
        "picked" => "picked", "put_back" => "put back", "checked" => "checked", "unchecked" => "to be checked again",
        "handed_over" => "handed over", "handed_over_unchecked" => "handed over unchecked",
        "not_handed_over" => "not handed over after all", "not_handed_over_unchecked" => "not handed over after all, unchecked",
        "returned" => "came back to the shelf", "stays_out" => "came back, not to the shelf",
        "not_returned" => "did not come back after all", "not_stays_out" => "did not come back after all, and not to the shelf",
        "kit_opened" => "kit opened", "out_of_kit" => "out of a kit", "into_kit" => "into a kit", "kit_made_up" => "kit made up"
      }.freeze

      # What goes over the counter, and what comes back over it.
      SALES = KINDS.select { |_, sums| sums.key?(:handed) || sums.key?(:returned) }.keys.freeze

      # These take what is promised to nobody.
      OF_FREE = %w[kit_opened into_kit].freeze
    end
  end
end
