# frozen_string_literal: true

require "json"
require_relative "../core/desk/movements"
require_relative "../core/desk/name"
require_relative "../core/order/goods"
require_relative "../core/order/versions"
require_relative "../core/value"
require_relative "lives"
require_relative "schema"
require_relative "settings"

module Gimlet
  module Store
    # Whether what is kept agrees with itself: sums with their movements, promises with what is wanted, states with steps, orders with their goods,
    # rows with those that they name, and the database's own guards with the schema. A sound file may have been altered by hand; this is what says so.
    #
    #   Audit.new(database).call.map(&:to_s) # => ["stock PW-K220: 12 on hand, its movements say 9; last moved by Adela on 2026-11-28"]
    class Audit
      Finding = Core::Value.of(:place, :text) do
        def to_s = "#{place}: #{text}"
      end
      # When it was last done and what it found, for health.
      LAST = "audit"
      # Rows that are numbered without a gap and never deleted: the table, and whose rows are numbered together.
      NUMBERED = { movements: nil, history: nil, price_changes: nil, orders: nil, tickets: nil,
                   entries: :ticket_id, order_steps: :order_id, bench_entries: :order_id, series_revisions: :series_id }.freeze
      OF_STOCK = %i[on_hand reserved bagged].freeze
      OF_GOODS = (Core::Desk::Movements::SUMS - [:on_hand]).freeze
      FIRST_STEPS = %w[place quote].freeze
      SPOKEN = { on_hand: "on hand", reserved: "promised", bagged: "in bags", checked: "checked", handed: "handed over", returned: "returned" }.freeze

      # @param database [Sequel::Database] of this version; it is only read
      # @return [Hash, nil] "at", "findings": as it was kept last
      def self.last(database) = Settings.new(database)[LAST]&.then { |text| JSON.parse(text) }

      # @param database [Sequel::Database]
      def initialize(database)
        @database = database
      end

      # @return [Array<Finding>] none where all agrees
      def call = [*file, *guards, *links, *gaps, *stock, *goods, *movements_booked, *orders, *names]

      # Done and noted, so that health can tell.
      # @return [Array<Finding>]
      def keep(now: Clock.now)
        found = call
        Settings.new(@database)[LAST] = JSON.generate("at" => now.iso8601, "findings" => found.map(&:to_s).first(20), "total" => found.size)
        found
      end

      private

      def finding(place, text) = Finding.new(place: place, text: text)

      def file
        fault = @database.fetch("PRAGMA integrity_check").first.values.first
        fault == "ok" ? [] : [finding("file", fault)]
      end

      # Tables, indices and triggers that this version does not have, lacks, or has otherwise.
      def guards
        should, is = Schema.guards_of(Schema.version(@database)), Schema.guards(@database)
        (should.keys | is.keys).reject { |name| should[name] == is[name] }.map do |name|
          how = if is[name].nil? then "is gone"
                elsif should[name].nil? then "is none of Gimlet's"
                else "is not as it should be"
                end
          finding("schema", "#{name} #{how}")
        end
      end

      def links
        rows = @database.fetch("PRAGMA foreign_key_check").all.map do |row|
          finding(row[:table].to_s, "row #{row[:rowid]} names one of #{row[:parent]} that is not there")
        end
        rows.first(20)
      end

      # Of what is only added to, nothing is missing in between or at the end.
      def gaps
        NUMBERED.flat_map { |table, owner| owner ? owned_gaps(table, owner) : table_gaps(table) }
      end

      def table_gaps(table)
        told = @database[:sqlite_sequence].where(name: table.to_s).get(:seq) || 0
        missing = told - @database[table].count
        missing.zero? ? [] : [finding(table.to_s, "#{missing} of #{told} rows are gone")]
      end

      def owned_gaps(table, owner)
        rows = @database[table].group(owner).select_map([owner, Sequel.function(:max, :number).as(:last), Sequel.function(:count).*.as(:rows)])
        rows.reject { |_, last, count| last == count }.map { |id, last, count| finding("#{table} of #{id}", "#{last - count} of #{last} are gone") }
      end

      def stock
        told = sums(@database[:movements], OF_STOCK, :number)
        @database[:stock].order(:number).all.flat_map do |row|
          apart(row, told[row[:number]] || {}, OF_STOCK).map { |text| finding("stock #{row[:number]}", "#{text}; #{last_hand(row[:number])}") }
        end
      end

      def goods
        told = sums(@database[:movements].exclude(order_id: nil), OF_GOODS, :order_id, :number)
        @database[:goods].order(:order_id, :number).all.flat_map do |row|
          apart(row, told[[row[:order_id], row[:number]]] || {}, OF_GOODS)
            .map { |text| finding("order #{row[:order_id]}, #{row[:number]}", "#{text}; #{last_hand(row[:number])}") }
        end
      end

      def sums(rows, names, *keys)
        found = rows.group(*keys).select_map([*keys, *names.map { |name| Sequel.function(:sum, name).as(:"told_#{name}") }])
        found.to_h { |row| [keys.one? ? row.first : row.first(keys.size), names.zip(row.drop(keys.size)).to_h] }
      end

      def apart(row, told, names)
        names.reject do |name|
          row[name] == (told[name] || 0)
        end.map { |name| "#{row[name]} #{SPOKEN.fetch(name)}, its movements say #{told[name] || 0}" }
      end

      def last_hand(number)
        row = @database[:movements].where(number: number).reverse(:id).first
        row ? "last moved by #{row[:who]} on #{row[:at].to_date}" : "it was never moved"
      end

      # Each movement does what its kind does.
      def movements_booked
        Core::Desk::Movements::KINDS.flat_map do |kind, deltas|
          does = Core::Desk::Movements::SUMS.map { |sum| { sum => Sequel[:quantity] * (deltas[sum] || 0) } }
          wrong = @database[:movements].where(kind: kind).exclude(does.map { |one| Sequel.expr(one) }.reduce(:&))
          wrong.limit(20).map do |row|
            finding("movement #{row[:id]}", "#{row[:quantity]} × #{row[:number]} #{kind} is booked otherwise; by #{row[:who]} on #{row[:at].to_date}")
          end
        end
      end

      def orders
        lives = Lives.new(@database)
        @database[:orders].order(:id).select(:id, :state, :revision, :document, :stage).flat_map do |row|
          [*state(row, lives.of(row[:id])), *steps(row), *lines(row)].map { |text| finding("order #{row[:id]}", text) }
        end
      end

      def state(row, life) = row[:state] == life.state ? [] : ["stands as #{row[:state]}, its pieces say #{life.state}"]

      def steps(row)
        taken = @database[:order_steps].where(order_id: row[:id]).order(:number).select_map(%i[kind who at])
        return [] unless FIRST_STEPS.include?(taken.first&.first)

        missing = row[:revision] - taken.size
        last = taken.last
        missing.zero? ? [] : ["#{missing} of #{row[:revision]} steps are gone; the last there is: #{last[0]}, by #{last[1]} on #{last[2].to_date}"]
      end

      # What its record sells is what its goods want. Orders of before the ledger have none.
      def lines(row)
        wanted = @database[:goods].where(order_id: row[:id]).exclude(wanted: :along)
                                  .select_hash(:number, (Sequel[:wanted] - :along).as(:sold))
        return [] if row[:stage] == "closed" && wanted.empty?

        sold = Core::Order::Goods.of(Core::Order::Versions.read(JSON.parse(row[:document])), {}).to_h { |good| [good.number, good.wanted] }
        (sold.keys | wanted.keys).reject { |number| sold[number] == wanted[number] }
                                 .map { |number| "its record sells #{sold[number] || 0} × #{number}, its goods want #{wanted[number] || 0}" }
      end

      # What names are compared by is theirs, but for those that stayed two when names became one.
      def names
        %i[customers people].flat_map do |table|
          rows = @database[table].exclude(folded: nil).select_map(%i[id name folded])
          wrong = rows.reject { |id, name, folded| [Core::Desk::Name.folded(name), "#{Core::Desk::Name.folded(name)} #{id}"].include?(folded) }
          wrong.map { |id, name, _| finding("#{table} #{id}", "“#{name}” would not be found by its name") }
        end
      end
    end
  end
end
