# frozen_string_literal: true

require_relative "../fields"
require_relative "../plain"
require_relative "../input_error"

module Gimlet::Core
  module Ticket
    # What one kind of entry is. Each has a file in kinds/ that says all of it:
    #
    #   class Had < Kind
    #     field "number", { "type" => "string", "maxLength" => 40 }    # what is sent, as JSON Schema
    #     field "quantity", { "type" => "integer", "minimum" => 0 }
    #
    #     def self.check(body, known) ...    # made sure of before it is kept; answers what is kept
    #     def self.fold(entries, _live) ...  # what all entries of this kind make of the ticket: {had: {"PW-1" => 2}}
    #     def self.words(body, _areas) ...   # what it is called in the call
    #   end
    class Kind
      # What becomes of the ticket with such an entry; nil leaves it as it is.
      BECOMES = nil

      class << self
        include Fields

        # @return [Boolean] whether a client may send it
        def sent? = true

        # @param body [Hash{String=>Object}] as it was sent
        # @param known [Counter::EntryContext] what it may speak of: catalogue, vocabulary, customers
        # @return [Hash{String=>Object}] what is kept
        # @raise [InputError] nothing is kept
        def check(body, _known) = body

        # @param ticket [TicketState] before it
        # @raise [InputError] unless such an entry may follow
        def follow(_body, ticket)
          case ticket.state
          when "ordered"
            reject("kind", "ordered", "This ticket is order #{ticket.order_id} already: amend that, or start a new ticket for another job.")
          when "closed" then reject("kind", "closed", "This ticket is closed: open it again first.")
          end
        end

        # @return [Array<Hash>] what it says that may be struck out: fields of Item
        def items(_body) = []

        # @param struck [Hash] [entry number, item] => true; changed by what strikes out and brings back
        def strike(_body, _struck) = nil

        # @param entries [Array<Entry>] of this kind, in order
        # @param live [Array<Item>] of the whole ticket, those not struck out
        # @return [Hash{Symbol=>Object}] fields of the ticket, also where there are no such entries
        def fold(_entries, _live) = {}

        # @param areas [Hash{String=>String}] work area id => name
        # @return [String, nil] nil where its own words are shown
        def words(_body, _areas) = nil

        private

        # The last word on each thing, those taken back left out.
        # @yield [Hash] the body; answers what is kept of it, nil where it takes the thing back
        def latest(entries, *keys)
          entries.to_h { |entry| [keys.one? ? entry.body[keys.first] : entry.body.values_at(*keys), yield(entry.body)] }.compact
        end

        # What was heard or set, whichever came later.
        # @return [Object, nil]
        def later(entries, live, key, &)
          heard = live.select(&).last
          set = entries.reject { |entry| entry.body[key].nil? }.last
          return heard && yield(heard) if set.nil? || (heard && heard.of > set.number)

          set.body[key]
        end

        def symbols(row) = row.transform_keys(&:to_sym)
        def plain(id) = Plain.name(id)
        def reject(...) = InputError.reject(...)
      end

      TEXT = ->(longest) { { "type" => "string", "maxLength" => longest } }
      OPTIONAL_NUMBER = { "type" => %w[number null] }.freeze
      QUANTITY = { "type" => %w[integer null], "minimum" => 0, "maximum" => 9999 }.freeze
      REASON = { "type" => %w[string null], "maxLength" => 400 }.freeze
      READING = { "$ref" => "#/components/schemas/ReadingInput" }.freeze
    end
  end
end
