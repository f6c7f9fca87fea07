# frozen_string_literal: true

require "digest"
require "json"
require_relative "../core/5_kit_plan/offers"
require_relative "../core/input_error"
require_relative "../core/value"
require_relative "../store/history"

module Gimlet
  module Counter
    # A price list is looked at before it is taken, and only what was looked at is taken.
    #
    #   take = TakePriceList.new(stock, snapshot)
    #   found = take.dry_run(Exchange::PriceList.read("prices.csv"))
    #   take.call(list, mark: found.mark, who: "Ada")
    class TakePriceList
      # What one line of the list would change: `was` is nil for a number that has no price yet, `sold` whether any catalogue knows it.
      Change = Core::Value.of(:number, :was, :now, :sold)
      # `same` lines change nothing; `mark` names the list, the prices and the catalogue it was held against.
      DryRun = Core::Value.of(:mark, :changes, :same, :refused)

      # @param stock [Store::Stock]
      # @param snapshot [Core::Catalogue::Snapshot]
      def initialize(stock, snapshot)
        @stock = stock
        @snapshot = snapshot
      end

      # @param list [Exchange::PriceList::Result]
      # @return [DryRun]
      def dry_run(list)
        before = @stock.all
        changes = list.rows.filter_map { |row| change(before[row[:number]], row) }
        DryRun.new(mark: mark(list), changes: changes, same: list.rows.size - changes.size, refused: list.refused)
      end

      # @param mark [String] of the dry run that was agreed to
      # @param skip [Boolean] whether lines that cannot be read are left out
      # @return [Integer] prices taken
      # @raise [Core::InputError] nothing was changed
      def call(list, mark:, skip: false, who: Store::History.at_the_keyboard)
        on = @stock.prices_revision
        mark == mark(list) || changed
        list.refused.empty? || skip ||
          reject("refused_lines", "Nothing was changed: mend the #{list.refused.size} lines that cannot be read, or leave them out.")
        @stock.upsert(list.rows, who: who, on: on) || changed
        list.rows.size
      end

      private

      def changed
        reject("changed", "Prices or catalogue have changed since this list was looked at, or it is another list: look again.")
      end

      def change(was, row)
        now = Core::KitPlan::Stock.new(**row.slice(:price_cents, :pack), on_hand: row[:on_hand] || was&.on_hand || 0, reserved: was&.reserved || 0)
        Change.new(number: row[:number], was: was, now: now, sold: @snapshot.sold?(row[:number])) unless was == now
      end

      def mark(list)
        Digest::SHA256.hexdigest(JSON.generate([list.rows, list.refused, @stock.prices_revision, @snapshot.version]))[0, 16]
      end

      def reject(code, sentence) = Core::InputError.reject("list", code, sentence)
    end
  end
end
