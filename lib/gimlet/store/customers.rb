# frozen_string_literal: true

module Gimlet
  module Store
    # Who calls, and which pumps they are known to have.
    class Customers
      def initialize(database)
        @database = database
      end

      # @return [Array<Hash>] id, name, place, pumps
      def all
        pumps = @database[:customer_pumps].select_hash_groups(:customer_id, :designation)
        @database[:customers].order(:name).map { |row| row.merge(pumps: pumps.fetch(row[:id], [])) }
      end

      # @return [Hash, nil]
      def find(id)
        row = @database[:customers].where(id: id).first
        row&.merge(pumps: @database[:customer_pumps].where(customer_id: id).order(Sequel.lit("rowid")).select_map(:designation))
      end

      # @param rows [Array<Hash>] name, place, pumps
      def put(rows)
        @database.transaction do
          rows.each do |row|
            @database[:customers].insert_conflict.insert(name: row[:name], place: row[:place])
            id = @database[:customers].where(name: row[:name]).get(:id)
            row[:pumps].each { |pump| remember(id, pump) }
          end
        end
      end

      # @param designation [String] a pump this customer turned out to have
      def remember(id, designation)
        @database[:customer_pumps].insert_conflict.insert(customer_id: id, designation: designation)
      end
    end
  end
end
