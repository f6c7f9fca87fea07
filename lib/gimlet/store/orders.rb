# frozen_string_literal: true

require "json"
require_relative "../core/input_error"
require_relative "../core/order/order"
require_relative "../core/order/summary"
require_relative "../core/order/versions"
require_relative "clock"
require_relative "history"
require_relative "paging"
require_relative "settings"

module Gimlet
  module Store
    # Agreed orders, kept whole with the catalogue version they were computed on. An order that is amended keeps what it was.
    #
    #   id = orders.create(ticket_id: 7, customer_id: nil, catalogue_version: "76ed", document: record)
    #   orders.find(id).version # => 1
    class Orders
      # What is known of an order without its record.
      BRIEF = %i[id ticket_id version revision cancelled_at cancelled_because amended_because].freeze

      # The setting that says which columns the list was made with.
      FORMAT = "order list"
      # What no day is wanted for comes after what one is.
      NO_DAY = "9999"

      # @param database [Sequel::Database]
      def initialize(database)
        @database = database
      end

      # Where it stands is told by its first step.
      # @return [Integer] its id; to be called inside the transaction that has checked the ticket
      def create(ticket_id:, customer_id:, catalogue_version:, document:, now: Clock.now)
        id = @database[:orders].insert(ticket_id: ticket_id, customer_id: customer_id, created_at: now, revision: 0,
                                       catalogue_version: catalogue_version,
                                       document: JSON.generate(document))
        for_customer(id, customer_id)
        describe(id)
      end

      # @param customer_id [Integer, nil] whose it is
      # @param pump_id [Integer, nil] which pump of theirs
      def for_customer(id, customer_id, pump_id = nil)
        name = @database[:customers].where(id: customer_id).get(:name)
        @database[:orders].where(id: id).update(customer_id: customer_id, billed_to: name, **{ pump_id: pump_id }.compact)
      end

      # @return [Integer, nil] of the pump that it is for
      def pump_of(id) = @database[:orders].where(id: id).get(:pump_id)

      # Another version of it; the one before stays readable.
      # @return [Integer] its id; to be called inside a transaction
      def amend(id, customer_id:, catalogue_version:, document:, reason:, now: Clock.now)
        order = @database[:orders].where(id: id)
        old = order.first
        @database[:order_versions].insert(order_id: id, **old.slice(:version, :document, :catalogue_version, :created_at))
        order.update(version: old[:version] + 1, customer_id: customer_id, created_at: now,
                     document: JSON.generate(document), catalogue_version: catalogue_version, amended_because: reason)
        for_customer(id, customer_id)
        describe(id)
      end

      # @return [Integer, nil] of a ticket's order
      def ticket_of(id) = @database[:orders].where(id: id).get(:ticket_id)

      # @return [Integer, nil]
      def id_of(ticket_id) = @database[:orders].where(ticket_id: ticket_id).get(:id)

      # @return [Integer, nil] of a ticket's order
      def revision_of(ticket_id) = @database[:orders].where(ticket_id: ticket_id).get(:revision)

      # @return [Core::Order, nil] without its long record
      def brief(id) = @database[:orders].where(id: id).select(*BRIEF).first&.then { |row| Core::Order.new(**row, versions: []) }

      # @return [Core::Order, nil]
      def of_ticket(ticket_id) = rows.where(ticket_id: ticket_id).map { |row| present(row) }.first

      # @return [Core::Order, nil]
      def find(id) = rows.where(Sequel[:orders][:id] => id).map { |row| present(row) }.first

      # @return [Core::Order, nil] as it was
      def earlier(id, version)
        row = @database[:order_versions].where(order_id: id, version: version).first
        row && find(id)&.with(**row.slice(:version, :catalogue_version, :created_at), record: record(id, row[:document]))
      end

      # @param words [String, nil] that are looked for: order, customer, pump, work, numbers
      # @return [Paging::Page] summaries, the latest first
      def page(words, page)
        Paging.call(@database[:order_list], :words, words, page) { |some| listed(some.reverse(:order_id)) }
      end

      # @param number [String] of a part or kit
      # @return [Array<Hash>] summaries of orders that it went with, the latest first
      def with_number(number, most = 20)
        listed(@database[:order_list].where(order_id: @database[:goods].where(number: number).select(:order_id)).reverse(:order_id).limit(most))
      end

      # @param state [String]
      # @return [Array(Array<Hash>, Integer)] summaries, the one that is wanted soonest first, then the one that stands longest; and how many there
      #   are in all
      def in_state(state, most)
        all = @database[:order_list].join(:orders, id: :order_id).where(state: state)
        wanted = Sequel.function(:coalesce, Sequel.function(:json_extract, :summary, "$.wanted"), NO_DAY)
        rows = all.order(wanted, :since, :order_id).limit(most)
        [listed(rows).sort_by { |row| [row["wanted"] || NO_DAY, row["since"].to_s, row["id"]] }, all.count]
      end

      # What lists show of orders that an earlier version kept, or kept with other columns; one that cannot be read is left out.
      def describe_all
        kept = Settings.new(@database)
        @database[:order_list].delete unless kept[FORMAT] == Core::Order::Summary::FORMAT
        @database[:orders].exclude(id: @database[:order_list].select(:order_id)).select_map(:id).each do |id|
          describe(id)
        rescue Core::InputError => e
          warn e.message
        end
        kept[FORMAT] = Core::Order::Summary::FORMAT
        nil
      end

      # What lists show of it is made anew.
      # @return [Integer] its id
      def describe(id)
        order = find(id)
        @database[:order_list].insert_conflict(:replace)
                              .insert(order_id: id, summary: JSON.generate(Core::Order::Summary.of(order)), words: Core::Order::Summary.words(order))
        id
      end

      # @return [Array<Core::Order>] of a customer, the last first
      def of_customer(id, most = 50)
        rows.where(Sequel[:orders][:customer_id] => id).reverse(Sequel[:orders][:id]).limit(most).map { |row| present(row) }
      end

      private

      def listed(rows)
        live = @database[:orders].where(id: rows.select(:order_id)).select_hash(:id, %i[state since])
        rows.select_map(%i[order_id summary]).map { |id, one| JSON.parse(one).merge(Core::Order::Summary::LIVE.keys.zip(live.fetch(id)).to_h) }
      end

      # Papers name whom they were made for, also when the customer is erased.
      def rows
        name = Sequel.case([[{ Sequel[:customers][:erased_at] => nil }, Sequel[:customers][:name]]], Sequel[:orders][:billed_to])
        @database[:orders].left_join(:customers, id: :customer_id).select_all(:orders).select_append(name.as(:customer))
      end

      def present(row)
        versions = @database[:order_versions].where(order_id: row[:id]).order(:version).select_map(%i[version created_at])
        Core::Order.new(**row.slice(*Core::Order.members), record: record(row[:id], row[:document]),
                                                           versions: versions.map do |version, at|
                                                             { version: version, created_at: at }
                                                           end)
      end

      # @raise [Core::InputError] when nothing can be made of what was kept
      def record(id, text)
        Core::Order::Versions.read(JSON.parse(text))
      rescue JSON::ParserError
        Core::InputError.reject("record", "unreadable", "Order #{id} cannot be read: its record is damaged. Restore a copy that has it.")
      end
    end
  end
end
