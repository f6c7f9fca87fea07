# frozen_string_literal: true

require "date"
require "etc"
require "json"
require "sequel"
require_relative "clock"
require_relative "paging"

module Gimlet
  module Store
    # Who did what and when: imports, prices, and beside them every entry of tickets and benches, and every step of an order. It grows, and is never
    # altered (the database itself refuses).
    #
    #   History.new(database).note("price", {number: "PW-1"}, who: "Adela")
    class History
      include Enumerable

      TABLES = %i[history entries bench_entries order_steps].freeze
      FOUND_BY = Sequel.function(:lower, Sequel.join(%i[who what place detail], " "))

      # @return [String] who types commands
      def self.at_the_keyboard = "#{Etc.getlogin || Etc.getpwuid&.name || 'someone'}, bin/gimlet"

      # @param database [Sequel::Database]
      def initialize(database)
        @database = database
      end

      # @param what [String] "imported", "removed", "prices" ...
      # @param detail [Object] plain data
      def note(what, detail, who:, now: Clock.now) = @database[:history].insert(at: now, who: who, what: what, detail: JSON.generate(detail))

      # @yield [Array(Time, String, String, String, String)] when, who, what, where, and in which words; from the first on
      def each(&) = told.order(:at).each { |row| yield(row.values_at(:at, :who, :what, :place, :detail)) }

      # @return [Date, nil] the last one of which anything is told
      def last_day = TABLES.filter_map { |table| @database[table].reverse(:at).get(:at) }.max&.to_date

      # @param day [Date] in UTC
      # @param words [String, nil] that must all be found
      # @return [Paging::Page] the latest first
      def day(day, words, page)
        rows = told { |table| table.where(at: midnight(day)...midnight(day + 1)) }.from_self.select_append(FOUND_BY.as(:words))
        Paging.call(rows.from_self, :words, words, page) { |some| some.reverse(:at).map { |row| row.except(:words) } }
      end

      private

      def midnight(day) = Time.utc(day.year, day.month, day.day)

      def told(&some)
        [kind(:history, Sequel.lit("'shop'"), :what, :detail, &some),
         kind(:entries, Sequel.join(["ticket ", :ticket_id]), :kind, :body, &some),
         kind(:order_steps, Sequel.join(["order ", :order_id]), :kind, :body, &some),
         kind(:bench_entries, Sequel.join(["order ", :order_id, ", bench"]), :kind, :body, &some)]
          .reduce { |all, one| all.union(one, all: true, from_self: false) }
      end

      def kind(table, place, what, detail)
        rows = block_given? ? yield(@database[table]) : @database[table]
        rows.select(:at, :who, Sequel.as(what, :what), Sequel.as(place, :place), Sequel.as(detail, :detail))
      end
    end
  end
end
