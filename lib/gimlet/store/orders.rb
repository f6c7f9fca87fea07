# frozen_string_literal: true

require "json"
require_relative "../core/input_error"
require_relative "../core/order/order"
require_relative "../core/order/summary"
require_relative "../core/order/versions"
require_relative "history"
require_relative "paging"
require_relative "settings"

module Gimlet
  module Store
    # Agreed orders, kept whole with the catalogue version they were computed on. An order that is amended keeps what it was.
    #
    #   id = orders.create(ticket_id: 7, customer_id: nil, catalogue_version: "76ed", document: record)
    #   orders.find(id).may # => ["amend", "cancel"]
    class Orders
      # What is known of an order without its record.
      BRIEF = %i[id version revision cancelled_at cancelled_because amended_because].freeze

      # The setting that says which columns the list was made with.
      FORMAT = "order list"

      # @param database [Sequel::Database]
      def initialize(database)
        @database = database
      end

      # @return [Integer] its id; to be called inside the transaction that has checked the ticket
      def create(ticket_id:, customer_id:, catalogue_version:, document:, now: Time.now.utc)
        id = @database[:orders].insert(ticket_id: ticket_id, customer_id: customer_id, created_at: now, catalogue_version: catalogue_version,
                                       document: JSON.generate(document))
        describe(id)
      end

      # Another version of it; the one before stays readable. What was cancelled counts again.
      # @return [Integer] its id; to be called inside a transaction
      def amend(id, customer_id:, catalogue_version:, document:, reason:, now: Time.now.utc)
        order = @database[:orders].where(id: id)
        old = order.first
        @database[:order_versions].insert(order_id: id, **old.slice(:version, :document, :catalogue_version, :created_at))
        order.update(version: old[:version] + 1, revision: old[:revision] + 1, customer_id: customer_id, created_at: now,
                     document: JSON.generate(document), catalogue_version: catalogue_version, amended_because: reason,
                     cancelled_at: nil, cancelled_because: nil)
        describe(id)
      end

      # @return [Integer] its id; to be called inside the transaction that has seen it in force
      def cancel(id, reason, who:, now: Time.now.utc)
        @database[:orders].where(id: id).update(cancelled_at: now, cancelled_because: reason, revision: Sequel[:revision] + 1)
        History.new(@database).note("cancelled", { order: id, reason: reason }, who: who)
        describe(id)
      end

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
        Paging.call(@database[:order_list], :words, words, page) { |some| some.reverse(:order_id).select_map(:summary).map { |one| JSON.parse(one) } }
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

      private

      def rows
        @database[:orders].left_join(:customers, id: :customer_id).select_all(:orders)
                          .select_append(Sequel[:customers][:name].as(:customer))
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

      def describe(id)
        order = find(id)
        @database[:order_list].insert_conflict(:replace)
                              .insert(order_id: id, summary: JSON.generate(Core::Order::Summary.of(order)), words: Core::Order::Summary.words(order))
        id
      end
    end
  end
end
