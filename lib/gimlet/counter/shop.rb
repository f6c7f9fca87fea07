# frozen_string_literal: true

require_relative "../store/customers"
require_relative "../store/entry_log"
require_relative "../store/health"
require_relative "../store/lives"
require_relative "../store/orders"
require_relative "../store/photos"
require_relative "../store/pumps"
require_relative "../store/purchases"
require_relative "../store/settings"
require_relative "../store/stock"
require_relative "../store/tickets"
require_relative "../store/tools"
require_relative "learn"
require_relative "current_reference"
require_relative "uploads"

module Gimlet
  module Counter
    # A shop while it is served: its database, what is kept there, and what is ready to answer from. It lasts as long as the process, and remembers
    # nothing of any one request: what was read for a request belongs to that request.
    #
    #   shop = Shop.new(database)
    #   shop.ready
    #   shop.references.current.snapshot.version
    class Shop
      attr_reader :database, :health, :references, :uploads, :supplier, :stock, :customers, :tickets, :orders, :lives, :pumps, :tools, :purchases,
                  :bench, :photos, :settings

      # @param database [Sequel::Database]
      # @param supplier [Exchange::SupplierLink, nil] nil in a shop that buys on paper
      # @param replica [Store::Replica, nil] where the database is kept once more
      def initialize(database, supplier: nil, replica: nil)
        @database, @supplier, @replica = database, supplier, replica
        @references, @uploads = CurrentReference.new(database), Uploads.new(database.opts[:database])
        @health = Store::Health.new(database, replica: replica)
        @stock, @customers, @pumps = Store::Stock.new(database), Store::Customers.new(database), Store::Pumps.new(database)
        @tickets, @photos = Store::Tickets.new(database), Store::Photos.new(database)
        @orders, @lives, @bench = Store::Orders.new(database), Store::Lives.new(database), Store::EntryLog.new(database, :bench_entries, :order_id)
        @tools, @purchases, @settings = Store::Tools.new(database), Store::Purchases.new(database), Store::Settings.new(database)
        freeze
      end

      # @return [Store::Catalogue]
      def catalogue = references.catalogue

      # Reads the catalogue before the first request asks for it, and lists what an earlier version did not.
      def ready
        references.current
        orders.describe_all
      end

      # Once a day, and not where the owner has switched it off.
      def learn_anew
        learn = Learn.new(database, references.current(newest: true), orders: orders, tickets: tickets)
        learn.call if learn.on? && Learn.learned(database)&.fetch("at") != Store::Clock.today.iso8601
      end

      # Ends what works beside the requests.
      def stop
        uploads.stop
        @replica&.stop
      end
    end
  end
end
