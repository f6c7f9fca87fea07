# frozen_string_literal: true

require "date"
require_relative "../core/desk/loan"
require_relative "clock"

module Gimlet
  module Store
    # Tools that are lent, each by its own tag.
    #
    #   tools.find("PW-T11/1").free? # => true
    class Tools
      LIVE = %w[promised out].freeze

      # @param database [Sequel::Database]
      def initialize(database)
        @database = database
      end

      # @return [Array<Core::Desk::Loan>] all tools that are still there
      def all = rows.where(gone: false).order(Sequel[:tools][:tag]).map { |row| loan(row) }

      # @return [Core::Desk::Loan, nil] whatever the capitals
      def find(tag) = rows.where(Sequel.function(:upper, Sequel[:tools][:tag]) => tag.strip.upcase, gone: false).map { |row| loan(row) }.first

      # @return [Array<Core::Desk::Loan>] promised to an order, or out for it
      def of_order(id) = rows.where(order_id: id).order(Sequel[:tools][:tag]).map { |row| loan(row) }

      # @return [Array<Core::Desk::Loan>] out longer than was agreed, the longest first
      def overdue(most)
        rows.where(Sequel[:loans][:state] => "out").where do
          Sequel[:loans][:until] < Clock.today.iso8601
        end.order(Sequel[:loans][:until]).limit(most).map { |row| loan(row) }
      end

      # @return [Integer]
      def count_overdue = @database[:loans].where(state: "out").where { Sequel[:until] < Clock.today.iso8601 }.count

      # @param fields [Hash] tag, number, name, deposit_cents, shelf
      # @return [Boolean] not when the tag is taken
      def add(fields)
        @database.transaction(mode: :immediate) do
          @database[:tools].where(tag: fields[:tag]).empty? && @database[:tools].insert(fields) && true
        end
      end

      # One free tool of each number is kept for an order; of those that it has no more, none.
      # @param numbers [Array<String>]
      def promise(order_id, numbers)
        kept = of_order(order_id)
        dropped = kept.select { |one| one.state == "promised" && !numbers.include?(one.number) }.map(&:tag)
        @database[:loans].where(order_id: order_id, state: "promised", tag: dropped).update(state: "dropped")
        (numbers - kept.map(&:number)).each do |number|
          free = all.find { |tool| tool.number == number && tool.free? }
          @database[:loans].insert(tag: free.tag, order_id: order_id, state: "promised", deposit_cents: free.price_cents) if free
        end
      end

      # @param change [Hash] of Core::Order::Step::Outcome#loan
      def move(order_id, change)
        live = @database[:loans].where(order_id: order_id, tag: change[:tag], state: LIVE)
        live.empty? && @database[:loans].insert(tag: change[:tag], order_id: order_id, state: "promised")
        time = change[:state] == "out" ? { lent_at: Clock.now } : { back_at: Clock.now }
        live.update(**change.except(:tag), **time)
        @database[:tools].where(tag: change[:tag]).update(condition: change[:condition]) if change[:condition]
      end

      # Nothing is kept for an order any more.
      def drop(order_id) = @database[:loans].where(order_id: order_id, state: "promised").update(state: "dropped")

      private

      def rows
        live = @database[:loans].where(state: LIVE)
        @database[:tools].left_join(live.as(:loans), tag: :tag).left_join(:orders, id: Sequel[:loans][:order_id])
                                                               .select(*%i[tag number name shelf condition].map do |one|
                                                                         Sequel[:tools][one]
                                                                       end, Sequel[:tools][:deposit_cents].as(:price_cents),
                                                                       *%i[state order_id until deposit_cents].map do |one|
                                                                         Sequel[:loans][one]
                                                                       end, Sequel[:orders][:billed_to].as(:customer))
      end

      def loan(row) = Core::Desk::Loan.new(**row, until: row[:until] && Date.parse(row[:until]))
    end
  end
end
