# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  class Order
    # The states of an order, in the order of a life.
    #
    #   States.name("picked") # => "to check"
    module States
      # `name` is what the desk calls it; `pile` its pile of Today: which one of them, an id, and what is to be done; `beside` the state on the
      # way that it stands beside. In a `live` one something is still to be done; in an `open` one nothing has gone out yet.
      State = Value.of(:id, :name, :pile, :beside, :live, :open)

      ALL = [
        ["quoted", "quote", [6, "to_follow", "Quotes to follow up"], nil, true, true],
        ["ordered", "to pick", [1, "to_pick", "To pick"], nil, true, true],
        ["waiting", "waiting for parts", [4, "to_come", "Waiting for parts"], "ordered", true, true],
        ["picked", "to check", [2, "to_check", "To check"], nil, true, true],
        ["checked", "ready to fetch", [3, "to_fetch", "Ready to fetch"], nil, true, true],
        ["handed_over", "handed over", [5, "to_close", "Handed over, to be closed"], nil, true, false],
        ["closed", "closed", nil, nil, false, false],
        ["cancelled", "cancelled", nil, "ordered", false, false]
      ].to_h { |row| [row.first, State.new(**State.members.zip(row).to_h)] }.freeze

      # Where one state of the way stands: behind, now or ahead.
      Stop = Value.of(:id, :name, :at)

      module_function

      def ids = ALL.keys
      def live = ALL.values.select(&:live).map(&:id)
      def open = ALL.values.select(&:open).map(&:id)

      def name(id) = ALL.fetch(id).name

      # @return [Array<State>] that have a pile of Today, in the order in which a day does them
      def piled = ALL.values.select(&:pile).sort_by { |state| state.pile.first }

      # The usual way of an order, as a line.
      # @param id [String] where it stands
      # @param quoted [Boolean] whether it began as a quote
      # @return [Array<Stop>] one that left the way stands by its own name beside where it left
      def way(id, quoted:)
        way = ALL.values.reject { |state| state.beside || (state.id == "quoted" && !quoted) }
        now = way.index(ALL.fetch(ALL.fetch(id).beside || id))
        way.each_with_index.map do |state, at|
          Stop.new(id: state.id, name: at == now ? name(id) : state.name, at: %w[behind now ahead][(at <=> now) + 1])
        end
      end
    end
  end
end
