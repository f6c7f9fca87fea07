# frozen_string_literal: true

require_relative "../core/desk/customer_line"
require_relative "../core/desk/name"
require_relative "../core/input_error"
require_relative "../core/order/life"
require_relative "../store/history"

module Gimlet
  module Counter
    # Customers are written down, changed, merged and erased.
    #
    #   LookAfterCustomers.new(database, customers).add("line" => "Tideway Oysters, Skarrow, 0160 442") # => {id: 7, name: "Tideway Oysters", ...}
    class LookAfterCustomers
      # A field is one line, a note may have several.
      READ = { name: Core::Desk::Name.method(:read), note: ->(text) { text.to_s.strip } }.freeze

      # @param database [Sequel::Database]
      # @param customers [Store::Customers]
      # @param who [String]
      def initialize(database, customers, who: "counter")
        @database = database
        @customers = customers
        @history = Store::History.new(database)
        @who = who
      end

      # @param request [Hash{String=>Object}] of the OpenAPI schema NewCustomer
      # @return [Hash] id, name, place, phone, email, note, pumps
      # @raise [Core::InputError] nobody was added
      def add(request)
        told = request["line"] ? Core::Desk::CustomerLine.read(request["line"]).to_h : fields(request)
        @database.transaction(mode: :immediate) do
          alone(told, nil)
          @customers.add(told).tap { |row| @history.note("customer", { added: row[:name] }, who: @who) }
        end
      end

      # @param request [Hash{String=>Object}] of the OpenAPI schema ChangeCustomer
      def change(id, request)
        told = fields(request)
        @database.transaction(mode: :immediate) do
          was = known(id)
          alone({ name: was[:name] }.merge(told), id)
          @customers.change(id, told)
          @history.note("customer", { id: id, changed: told.reject { |key, value| was[key] == value } }, who: @who)
        end
      end

      # @param into [Integer] who stays
      def merge(id, into)
        @database.transaction(mode: :immediate) do
          gone, stays = known(id), known(into)
          id == into && reject("into", "same", "A customer cannot be merged with themselves: name the other one.")
          @customers.merge(id, into)
          @history.note("customer", { merged: gone[:name], into: stays[:name] }, who: @who)
        end
      end

      def erase(id)
        @database.transaction(mode: :immediate) do
          known(id)
          live = @database[:orders].where(customer_id: id, state: Core::Order::States.live).select_map(:id)
          live.empty? || reject("id", "live_orders",
                                "Order #{live.join(', ')} is still under way: close or cancel it first, then erase the customer.")
          @customers.erase(id)
          @history.note("customer", { erased: id }, who: @who)
        end
      end

      private

      def fields(request)
        told = request.slice(*Store::Customers::FIELDS.map(&:to_s)).transform_keys(&:to_sym)
        told.to_h { |key, text| [key, READ.fetch(key, Core::Desk::Name.method(:seen)).call(text)] }
      end

      def known(id) = @customers.find(id) || reject("id", "unknown_customer", "There is no customer #{id}.")

      # One name, one customer: the ear takes a name for whoever has it.
      def alone(told, id)
        told[:name] || reject("name", "missing", "Say what the customer is called.")
        other = @customers.named(told[:name])
        return if other.nil? || other[:id] == id

        at = other[:place].empty? ? "" : ", #{other[:place]}"
        reject("name", "known",
               "There is a customer called “#{other[:name]}”#{at} already: type the name to choose them, or add what tells these two apart.")
      end

      def reject(...) = Core::InputError.reject(...)
    end
  end
end
