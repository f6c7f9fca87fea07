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
      #   measured   what, measure, readings      a seal or the flow, as it was measured at the bench
      #   struck     of, item             an item of an earlier entry does not count; item nil: all of it
      #   restored   of, item
      #   customer   customer_id          nil for nobody
      #   channel    channel
      #   work       areas, agreed, pumps, positions      { area id => positions } where not all of them are worked on
      #   extent     extent               how far the work goes
      #   checked    check, result        a quick check of the diagnosis; result nil takes it back
      #   inspected  slot, position, outcome, measured    what was found; neither outcome nor measure takes it back
      #   had        number, quantity     a part that the customer has already
      #   owns       tool, has, from, to, unit, mark      a tool that the customer has; a torque wrench with its range, and its marks if known
      #   handed     tool, how            a tool that goes along: lent or sold; how nil leaves it here
      #   entered    pump, fastener, value, unit, source  a torque where the sheet of that pump has none; value nil takes it back
      #   pump       id                   the candidate taken by hand; nil takes the leading order
      #   settled    doubt, reason        a doubt that stands, and why that is all right
      #   plan       policy
      #   fixed      number, quantity, reason             a line of the plan set by hand; quantity nil leaves it to the plan again
      #   also       number, quantity, reason             what goes along and serves nothing of the work itself; quantity nil takes it off
      #   extension  lever_mm, extension_mm, angle_deg    between wrench and bolt; all nil without one
      #   unit       unit                 of the customer's wrench
      #   closed     reason               nothing comes of it
      #   reopened   reason               a closed ticket goes on, or its order is amended
      #   ordered    order_id, reason
      Entry = Value.of(:number, :kind, :body, :at, :who)
      KINDS = %w[said answered not_sure taken_up measured struck restored customer channel work extent checked inspected had owns handed entered pump
                 settled plan fixed also extension unit closed reopened ordered].freeze
    end
  end
end
