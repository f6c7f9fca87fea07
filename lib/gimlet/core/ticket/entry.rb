# frozen_string_literal: true

require_relative "../value"

module Gimlet
  module Core
    module Ticket
      # One line of a ticket's log. `number` counts from 1 within its ticket; `body` is plain data with string keys, as its kind says (kinds/).
      Entry = Value.of(:number, :kind, :body, :at, :who)
    end
  end
end
