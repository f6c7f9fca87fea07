# frozen_string_literal: true

require_relative "../core/desk/arrivals"
require_relative "clock"
require_relative "settings"

module Gimlet
  module Store
    # What was bought, line by line, and what of it has come.
    #
    #   purchases.open.first # => {id: 3, state: "sent", lines: [{number: "PW-K220", quantity: 4, received: 0, ...}], ...}
    class Purchases
      # Those that something is still to come of.
      OPEN = %w[written sent].freeze
      # As many of the last deliveries tell how long one takes.
      SEEN = 50
      REVISION = "purchases revision"

      # @param database [Sequel::Database]
      def initialize(database)
        @database = database
        @settings = Settings.new(database)
        @lock = Mutex.new
      end

      # @return [String, nil] changes with every purchase, and with all that becomes of one
      def revision = @settings[REVISION]

      # @param lines [Array<Hash>] number, quantity, price_cents (nil where nobody knows)
      # @param key [String] the same one is the same purchase
      # @return [Integer] its id
      def write(lines, key:, who:)
        @database.transaction(mode: :immediate) do
          known = @database[:purchases].where(key: key).get(:id) and next known
          id = @database[:purchases].insert(key: key, state: "written", who: who, at: Clock.now)
          @database[:purchase_lines].multi_insert(lines.map { |line| { purchase_id: id, **line } })
          touch
          id
        end
      end

      # @return [Hash, nil] with lines
      def find(id) = with_lines(@database[:purchases].where(id: id)).first

      # @return [Array<Hash>] with lines, the latest first
      def latest(most = 50) = with_lines(@database[:purchases].reverse(:id).limit(most))

      # @return [Array<Hash>] those of which something is to come, the first expected first
      def open = with_lines(@database[:purchases].where(state: OPEN).order(Sequel.function(:coalesce, :expected_on, "9"), :id))

      # @return [Hash{String=>Integer}] number => still to come
      def to_come
        @database[:purchase_lines].join(:purchases, id: :purchase_id).where(state: OPEN).where { quantity > received }
                                  .group(:number).select_hash(:number, Sequel.function(:sum, Sequel[:quantity] - :received).as(:units))
      end

      # Read again when a purchase changed, by this process or another.
      # @return [Array(Array, Array)] what is under way, and what was kept
      def known
        now = [revision]
        @lock.synchronize { (@known&.first == now ? @known : @known = [now, under_way, kept]).drop(1) }
      end

      # @return [Array<Core::Desk::Arrivals::Purchase>] sent, and not all of it here; what is expected first comes first
      def under_way
        open.select { |one| one[:state] == "sent" }.map do |one|
          lines = one[:lines].to_h { |line| [line[:number], line[:quantity] - line[:received]] }
          Core::Desk::Arrivals::Purchase.new(at: day(one[:at]), expected: one[:expected_on] && Date.parse(one[:expected_on]), lines: lines)
        end
      end

      # @return [Array<Core::Desk::Arrivals::Kept>] of the last ones that came
      def kept
        @database[:purchases].exclude(came_at: nil).reverse(:id).limit(SEEN).select_map(%i[at came_at expected_on]).map do |at, came, expected|
          Core::Desk::Arrivals::Kept.new(took: (day(came) - day(at)).to_i, late: expected && (day(came) - Date.parse(expected)).to_i)
        end
      end

      # @param fields [Hash] state, supplier_ref, expected_on, note
      def change(id, fields)
        @database[:purchases].where(id: id).update(fields)
        touch
      end

      # What the supplier says of each line; to be called inside a transaction.
      def confirm(id, lines)
        lines.each { |line| @database[:purchase_lines].where(purchase_id: id, number: line[:number]).update(price_cents: line[:price_cents]) }
      end

      # @param counts [Hash{String=>Integer}] number => how many came; to be called inside the transaction that books them
      def receive(id, counts)
        lines = @database[:purchase_lines].where(purchase_id: id)
        counts.each { |number, count| lines.where(number: number).update(received: Sequel[:received] + count) }
        touch
        @database[:purchases].where(id: id, came_at: nil).update(came_at: Clock.now)
        @database[:purchases].where(id: id).update(state: "received") if lines.where { received < quantity }.empty?
      end

      # @return [Float, nil] days from writing to the first receipt, the mean of the last ones; nil of none
      def lead_days
        spans = @database[:purchases].exclude(came_at: nil).reverse(:id).limit(SEEN).select_map(%i[at came_at]).map do |from, to|
          (to - from) / 86_400.0
        end
        spans.empty? ? nil : spans.sum / spans.size
      end

      private

      def touch = @settings[REVISION] = (@settings[REVISION].to_i + 1).to_s
      def day(time) = time.getlocal.to_date

      def with_lines(rows)
        purchases = rows.all
        lines = @database[:purchase_lines].where(purchase_id: purchases.map do |one|
          one[:id]
        end).order(:number).all.group_by { |line| line[:purchase_id] }
        purchases.map { |one| one.except(:key, :came_at).merge(lines: lines.fetch(one[:id], []).map { |line| line.except(:purchase_id) }) }
      end
    end
  end
end
