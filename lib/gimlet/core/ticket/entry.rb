# frozen_string_literal: true

require_relative "../value"

module Gimlet
  module Core
    module Ticket
      # One line of a ticket's log. `number` counts from 1 within its ticket; `body` is plain data with string keys, by kind:
      #
      #   said       words, asked, heard: { items: [...], unheard: [...] } as Ear::Heard has them
      #   answered   reading, label       a button was pressed, or a candidate's own pump named
      #   not_sure   trait
      #   taken_up   words, of, reading | complaint    words that were not heard, made into something by hand
      #   struck     of, item             an item of an earlier entry does not count; item nil: all of it
      #   restored   of, item
      #   customer   customer_id          nil for nobody
      #   channel    channel
      #   work       areas, agreed, pumps
      #   inspected  slot, worn
      #   pump       id                   the candidate taken by hand; nil takes the leading order
      #   settled    doubt, reason        a doubt that stands, and why that is all right
      #   plan       policy
      #   unit       unit                 of the customer's wrench
      #   ordered    order_id, reason
      Entry = Value.of(:number, :kind, :body, :at, :who)
      KINDS = %w[said answered not_sure taken_up struck restored customer channel work inspected pump settled plan unit ordered].freeze
    end
  end
end
