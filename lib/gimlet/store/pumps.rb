# frozen_string_literal: true

require "date"
require "json"
require_relative "../core/desk/due"
require_relative "../core/desk/name"
require_relative "../core/order/versions"
require_relative "clock"

module Gimlet
  module Store
    # Each pump of each customer: where it stands, how much it runs, what it got, when it is due.
    #
    #   pumps.of_customer(5).first # => {id: 9, designation: "DK420", serial: "", stands: "wash-down", ...}
    class Pumps
      FIELDS = %i[designation serial plate stands hours_per_week months due_by_hand note gone].freeze

      # @param database [Sequel::Database]
      def initialize(database)
        @database = database
      end

      # @return [Hash, nil]
      def find(id) = @database[:pumps].where(id: id).first

      # @return [Array<Hash>] those that are there no more last
      def of_customer(id) = @database[:pumps].where(customer_id: id).order(:gone, :id).all

      # @param fields [Hash] of FIELDS
      # @return [Integer] its id
      def add(customer_id, fields) = @database[:pumps].insert(customer_id: customer_id, **fields, words: words(fields))

      # @param fields [Hash] of FIELDS
      def change(id, fields)
        row = @database[:pumps].where(id: id)
        row.update(**fields, words: words(row.first.merge(fields)))
      end

      # The pump of an order: the one of that designation and serial, else one whose serial nobody has read yet, else another.
      # @param serial [String, nil] as it was read
      # @return [Integer] its id
      def remember(customer_id, designation, serial)
        own = @database[:pumps].where(customer_id: customer_id, designation: designation, gone: false).order(:id)
        known = serial ? own.where(serial: serial).get(:id) || own.where(serial: "").get(:id) : own.get(:id)
        return add(customer_id, designation: designation, serial: serial.to_s) unless known

        change(known, serial: serial.to_s) if serial && find(known)[:serial].empty?
        known
      end

      # @return [Array<Core::Desk::Due::Job>] what was handed over for it, the last first
      def served(id)
        rows = @database[:orders].where(pump_id: id).exclude(handed_at: nil).exclude(state: "cancelled").reverse(:handed_at)
        rows.select_map(%i[id handed_at document]).map do |order, at, document|
          Core::Desk::Due::Job.new(order_id: order, on: at.getlocal.to_date, fates: fates(Core::Order::Versions.read(JSON.parse(document))))
        end
      end

      # @return [Array(Array<Hash>, Integer)] pumps that are due so far ahead, with their customers, the longest due first; and how many in all
      def due(ahead, most, today: Clock.today)
        rows = @database[:pumps].where(gone: false).where { due_on <= (today + ahead).iso8601 }
                                .where { (ring_after =~ nil) | (ring_after <= today.iso8601) }
        [with_customer(rows.order(:due_on).limit(most)), rows.count]
      end

      # @param designations [Array<String>]
      # @return [Array<Hash>] pumps of these models with a date, with their customers, the next due first
      def of_models(designations, most)
        with_customer(@database[:pumps].where(gone: false, designation: designations).exclude(due_on: nil).order(:due_on).limit(most))
      end

      # @return [Array<Hash>] every pump with a date, with its customer
      def dated = with_customer(@database[:pumps].where(gone: false).exclude(due_on: nil).order(:due_on))

      # Somebody rang.
      # @param said [String] what they said
      def rung(id, again_on, said)
        @database[:pumps].where(id: id).update(rung_on: Clock.today.iso8601, ring_after: again_on, rung_said: said)
      end

      # @param date [Date, nil] when it is due now
      def due_on(id, date) = @database[:pumps].where(id: id).update(due_on: date&.iso8601)

      private

      # What it is found by.
      def words(fields) = Core::Desk::Name.words(*fields.values_at(:designation, :serial, :plate, :stands))

      def with_customer(rows)
        rows.join(:customers, id: :customer_id).select_all(:pumps).select_append(*%i[name place phone].map { |one| Sequel[:customers][one] }).all
      end

      def fates(record)
        layers = record["stacks"].flat_map { |stack| stack["layers"] }
        layers.group_by { |layer| layer["slot"] }.except(nil)
              .transform_values { |same| same.flat_map { |layer| layer["fates"] }.compact }.reject { |_, told| told.empty? }
      end
    end
  end
end
