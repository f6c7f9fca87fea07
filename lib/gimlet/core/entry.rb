# frozen_string_literal: true

require_relative "value"

module Gimlet::Core
  # One line of an append-only log: of a ticket, or of what was done at the bench. `number` counts from 1 within it; `body` is plain data with
  # string keys, as its kind says (ticket/kinds/, bench/log.rb).
  Entry = Value.of(:number, :kind, :body, :at, :who)
end
