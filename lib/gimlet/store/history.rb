# frozen_string_literal: true

require "etc"
require "json"

module Gimlet
  module Store
    # Who did what and when: imports, prices, cancelled orders, and beside them every entry of tickets and benches. It grows, and is never
    # altered (the database itself refuses).
    class History
      # @return [String] who types commands
      def self.at_the_keyboard = "#{Etc.getlogin || Etc.getpwuid&.name || 'someone'}, bin/gimlet"

      # @param database [Sequel::Database]
      def initialize(database)
        @database = database
      end

      # @param what [String] "imported", "removed", "prices", "cancelled" ...
      # @param detail [Object] plain data
      def note(what, detail, who:, now: Time.now.utc) = @database[:history].insert(at: now, who: who, what: what, detail: JSON.generate(detail))

      # @yield [Array(Time, String, String, String, String)] when, who, what, where, and in which words; from the first on
      def each(&)
        kinds = [told(:history, Sequel.lit("'shop'"), :what, :detail),
                 told(:entries, Sequel.join(["ticket ", :ticket_id]), :kind, :body),
                 told(:bench_entries, Sequel.join(["order ", :order_id, ", bench"]), :kind, :body)]
        kinds.reduce do |all, one|
          all.union(one, all: true, from_self: false)
        end.order(:at).each { |row| yield(row.values_at(:at, :who, :what, :place, :detail)) }
      end

      private

      def told(table, place, what, detail)
        @database[table].select(:at, :who, Sequel.as(what, :what), Sequel.as(place, :place), Sequel.as(detail, :detail))
      end
    end
  end
end
