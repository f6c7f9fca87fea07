# frozen_string_literal: true

module Gimlet
  module Store
    # Who calls, and which pumps they are known to have.
    #
    #   customers.find(1) # => {id: 1, name: "Nannyfield Goat Dairy", pumps: ["TK4L20"], tools: {...}, ...}
    class Customers
      def initialize(database)
        @database = database
      end

      # @return [Array<Hash>] id, name, place, pumps
      def all
        pumps = @database[:customer_pumps].select_hash_groups(:customer_id, :designation)
        @database[:customers].order(:name).map { |row| row.merge(pumps: pumps.fetch(row[:id], [])) }
      end

      # @return [Hash, nil] as in `all`, with tools: { name => { "from", "to", "unit" } of a torque wrench, else {} }
      def find(id)
        row = @database[:customers].where(id: id).first
        row&.merge(pumps: @database[:customer_pumps].where(customer_id: id).order(Sequel.lit("rowid")).select_map(:designation), tools: tools(id))
      end

      # @return [Hash, nil] as in `all`; nil when somebody has that name already, whatever its capitals
      def add(name, place)
        return if @database[:customers].where(Sequel.function(:lower, :name) => name.downcase).any?

        id = @database[:customers].insert(name: name, place: place)
        { id: id, name: name, place: place, pumps: [] }
      end

      # @param rows [Array<Hash>] name, place, pumps
      def upsert(rows)
        @database.transaction do
          rows.each do |row|
            @database[:customers].insert_conflict.insert(name: row[:name], place: row[:place])
            id = @database[:customers].where(name: row[:name]).get(:id)
            row[:pumps].each { |pump| remember(id, pump) }
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

      # @param designation [String] a pump this customer turned out to have
      def remember(id, designation)
        @database[:customer_pumps].insert_conflict.insert(customer_id: id, designation: designation)
      end

      private

      def tools(id)
        @database[:customer_tools].where(customer_id: id).to_h do |row|
          [row[:name], row.slice(:from, :to, :unit, :mark).compact.transform_keys(&:to_s)]
        end
      end
    end
  end
end
