# frozen_string_literal: true

require "digest"
require "json"
require_relative "../core/desk/learning"
require_relative "../core/ticket/ticket"
require_relative "../core/value"
require_relative "../store/clock"
require_relative "../store/settings"

module Gimlet
  module Counter
    # Learns from tickets that are over, and keeps what it learned by day; the owner may switch it off.
    #
    #   Learn.new(database, reference, orders: orders, tickets: tickets).call # => what was learned
    class Learn
      SETTING = "learned"
      MARK = "learned mark"
      OFF = "learning off"
      # The last ones count.
      MOST = 2000
      # Who may be wrong in the way that is learned.
      OBSERVER = "caller"
      KINDS = %w[counted chosen].freeze
      # What an order was returned for tells that its pump was another.
      WRONG = "wrong_identification"

      # @param database [Sequel::Database]
      # @return [Hash, nil] what was learned last, as it is kept; nil while nothing was, or when it is switched off
      def self.learned(database)
        settings = Store::Settings.new(database)
        settings[OFF] ? nil : settings[SETTING]&.then { |text| JSON.parse(text) }
      end

      # @return [String, nil] changes with what was learned, and with the switch; cheap to ask
      def self.mark(database) = Store::Settings.new(database).then { |settings| settings[OFF] ? nil : settings[MARK] }

      # @param reference [Reference]
      def initialize(database, reference, orders:, tickets:)
        @database = database
        @reference = reference
        @orders = orders
        @tickets = tickets
        @settings = Store::Settings.new(database)
      end

      # @return [Hash] kept from now on: at, tickets, answers, counts, mistaken, none
      def call
        learned = Core::Desk::Learning.of(closed, mistaken)
        kept = { "at" => Store::Clock.today.iso8601, **learned.to_h.transform_keys(&:to_s) }
        text = JSON.generate(kept)
        @settings[MARK] = Digest::SHA256.hexdigest(text)[0, 12]
        @settings[SETTING] = text
        kept
      end

      # @param on [Boolean]
      def switch(on) = @settings[OFF] = on ? nil : "yes"

      # @return [Boolean]
      def on? = @settings[OFF].nil?

      private

      def traits = @reference.vocabulary.traits.values.select { |trait| KINDS.include?(trait.kind_id) }
      def mistaken = traits.to_h { |trait| [trait.id, trait.practice || trait.mistaken] }

      def closed
        rows = @database[:orders].where(state: %w[handed_over closed]).exclude(id: returned_as_another).reverse(:id).limit(MOST)
        found = rows.select_map(%i[ticket_id id]).filter_map { |ticket, order| ticket_of(ticket, order) }
        found + @tickets.owners_of("sighted").first(MOST).map { Core::Desk::Learning::Closed.new(pump: nil, told: []) }
      end

      def returned_as_another
        told = @database[:order_steps].where(kind: %w[take_back undo]).where(Sequel.like(:body, "%#{WRONG}%"))
        told.group(:order_id).having(Sequel.function(:sum, Sequel.case({ { kind: "take_back" } => 1 }, -1)) => 1..).select(:order_id)
      end

      def ticket_of(ticket, order)
        pump = @orders.find(order).record["pump"]
        id = pump.values_at("model", "serials").compact.join(" ")
        at = @reference.snapshot.variants.index { |variant| variant.id == id } or return
        Core::Desk::Learning::Closed.new(pump: id, told: told(Core::Ticket::TicketState.of(@tickets.entries(ticket)), at))
      end

      # Of what the caller counted or chose, whether the pump turned out to have it.
      def told(folded, at)
        folded.readings.filter_map do |row|
          row = row.transform_keys(&:to_sym)
          next unless row[:observer] == OBSERVER && row[:value] && !row[:denied] && KINDS.include?(@reference.vocabulary.traits[row[:trait]]&.kind_id)

          column = @reference.field.column(row[:trait])
          true_value = column.values[column.places[at]]
          true_value && [row[:trait], true_value.to_s.casecmp?(row[:value].to_s)]
        end
      end
    end
  end
end
