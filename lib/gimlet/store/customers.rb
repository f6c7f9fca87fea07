# frozen_string_literal: true

require "json"
require_relative "../core/desk/name"
require_relative "clock"
require_relative "pumps"

module Gimlet
  module Store
    # Who calls, and how they are reached. Their pumps are in Pumps; those that were merged into another are that other.
    #
    #   customers.find(1) # => {id: 1, name: "Nannyfield Goat Dairy", pumps: ["TK4L20"], tools: {...}, ...}
    class Customers
      FIELDS = %i[name place phone email note].freeze
      ERASED = "erased customer"

      # @param database [Sequel::Database]
      def initialize(database)
        @database = database
        @pumps = Pumps.new(database)
      end

      # @param words [String, nil] that must all be found in name, place, phone, mail, or a pump of theirs
      # @return [Array<Hash>] id, name, place, phone, email, note, pumps
      def all(words = nil)
        pumps = @database[:pumps].where(gone: false).order(:id).select_hash_groups(:customer_id, :designation)
        found(words).order(:name).select(:id, *FIELDS).map { |row| row.merge(pumps: pumps.fetch(row[:id], []).uniq) }
      end

      # @return [Hash, nil] as in `all`, with tools: { name => { "from", "to", "unit" } of a torque wrench, else {} }, and last: { id, model, work }
      #   of their last order, nil where there is none
      def find(id)
        row = @database[:customers].where(id: id).first or return
        return find(row[:merged_into]) if row[:merged_into]

        own = @database[:pumps].where(customer_id: id, gone: false).order(:id).select_map(:designation).uniq
        row.slice(:id, *FIELDS).merge(pumps: own, tools: tools(id), last: last(id))
      end

      # @return [Hash, nil] who has that name, folded (Core::Desk::Name)
      def named(name) = @database[:customers].where(folded: Core::Desk::Name.folded(name)).first

      # @param fields [Hash{Symbol=>String}] of FIELDS
      # @return [Hash] as in `all`
      def add(fields)
        id = @database[:customers].insert(**fields, **told(fields))
        find(id).except(:tools, :last)
      end

      # @param fields [Hash{Symbol=>String}] of FIELDS
      def change(id, fields)
        row = @database[:customers].where(id: id)
        row.update(**fields, **told(row.first.merge(fields)))
      end

      # @param rows [Array<Hash>] name, place, pumps, and more of FIELDS
      def upsert(rows)
        @database.transaction do
          rows.each do |row|
            id = (named(row[:name]) || add(row.slice(*FIELDS)))[:id]
            row[:pumps].each do |pump|
              @database[:pumps].where(customer_id: id, designation: pump).empty? && @pumps.add(id, designation: pump)
            end
          end
        end
      end

      # @param tools [Hash{String=>Hash, nil}] as `find` has them; nil for one that this customer has not
      def remember_tools(id, tools)
        tools.each do |name, range|
          @database[:customer_tools].where(customer_id: id, name: name).delete
          @database[:customer_tools].insert(customer_id: id, name: name, **range.transform_keys(&:to_sym)) if range
        end
      end

      # All that one has goes to the other; to be called inside a transaction.
      def merge(id, into)
        @database[:customers].where(id: id).update(merged_into: into, folded: nil)
        @database[:orders].where(customer_id: id).update(customer_id: into)
        @database[:pumps].where(customer_id: id).update(customer_id: into)
        kept = @database[:customer_tools].where(customer_id: into).select_map(:name)
        @database[:customer_tools].where(customer_id: id).exclude(name: kept).update(customer_id: into)
        @database[:customer_tools].where(customer_id: id).delete
      end

      # What the shop need not keep is gone; orders stay, with the name on their papers. To be called inside a transaction.
      def erase(id)
        @database[:customers].where(id: id).update(name: "#{ERASED} #{id}", place: "", phone: "", email: "", note: "", erased_at: Clock.now,
                                                   folded: nil, words: "")
        @database[:pumps].where(customer_id: id).update(serial: "", plate: "", stands: "", note: "", words: "", gone: true, due_on: nil)
        @database[:customer_tools].where(customer_id: id).delete
        @database[:photos].where(ticket_id: tickets_of(id)).delete
      end

      private

      # Those that the customer was named on, with or without an order.
      def tickets_of(id)
        named = @database[:entries].where(kind: "customer", body: JSON.generate("customer_id" => id)).select_map(:ticket_id)
        named | @database[:orders].where(customer_id: id).select_map(:ticket_id)
      end

      def last(id)
        told = @database[:orders].where(customer_id: id).join(:order_list, order_id: :id).reverse(Sequel[:orders][:id]).get(:summary) or return
        JSON.parse(told).slice("id", "model", "work").transform_keys(&:to_sym)
      end

      def standing = @database[:customers].where(merged_into: nil, erased_at: nil)

      # What the name is compared by and the row found by.
      def told(fields)
        words = Core::Desk::Name.words(*fields.values_at(:name, :place, :email), fields[:phone].to_s.delete(" "))
        { folded: Core::Desk::Name.folded(fields[:name]), words: words }
      end

      def found(words)
        Core::Desk::Name.folded(words).split.first(8).reduce(standing) do |all, word|
          like = Sequel.like(:words, "%#{@database[:customers].escape_like(word)}%")
          all.where(like | { id: @database[:pumps].where(gone: false).where(like).select(:customer_id) })
        end
      end

      def tools(id)
        @database[:customer_tools].where(customer_id: id).to_h do |row|
          [row[:name], row.slice(:from, :to, :unit, :mark).compact.transform_keys(&:to_s)]
        end
      end
    end
  end
end
