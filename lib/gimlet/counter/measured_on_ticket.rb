# frozen_string_literal: true

require_relative "../core/value"
require_relative "../exchange/reference_files"
require_relative "measure_flow"
require_relative "measure_seal"

module Gimlet
  module Counter
    # What was measured in the course of a ticket, worked out for the pump that leads it.
    class MeasuredOnTicket
      # `of` and `item` name the place in the log; `found` is MeasureSeal's or MeasureFlow's, nil with a `problem` that says why.
      Kept = Core::Value.of(:of, :item, :what, :measure, :found, :problem)
      # What is pumped: held against the seals of the plan, not worked out here.
      SERVICE = "service"
      # A seal in hand is a reading of the part that it came from.
      READ_LIP = { "id_mm" => "seal_id_mm", "od_mm" => "seal_od_mm", "height_mm" => "seal_height_mm" }.freeze

      # @param reference [Reference]
      # @param stock [Hash]
      def initialize(reference, stock = {})
        @reference = reference
        @stock = stock
        @seal = MeasureSeal.new(reference.snapshot, stock, reference.tables)
        @flow = MeasureFlow.new(reference.snapshot)
      end

      # @param ticket [Core::Ticket::TicketState]
      # @param pump [Core::Catalogue::Variant, nil]
      # @return [Array<Kept>]
      def call(ticket, pump)
        ticket.live.select { |item| item.measure && item.measure["what"] != SERVICE }.map { |item| kept(item, ticket, pump) }
      end

      # @param told [Hash] what and measure
      # @return [Array<Hash>] readings that follow, fields for Readings::Reading.from with string keys
      # @raise [Core::InputError] what cannot be
      def readings(told)
        return [] if told["what"] == SERVICE

        found = find(*told.values_at("what", "measure"))
        return [] unless told["what"] == "seal"

        sizes = found.lip ? found.lip.transform_keys(READ_LIP) : of_ring(found.measured)
        sizes.map { |trait, value| { "trait" => trait, "value" => value.round(2), "unit" => "mm" } }
      end

      private

      # A view is looked at again and again: what was measured is worked out once. What the catalogue has no more is said, and the ticket goes on.
      def kept(item, ticket, pump)
        what, measure = item.measure.values_at("what", "measure")
        key = [:measured, what, measure, pump&.id, ticket.complaints, pump || told_flow(ticket), @stock.object_id]
        found, problem = @reference.field.recall(:results, key) { found_or_not(what, measure, ticket, pump) }
        Kept.new(of: item.of, item: item.item, what: what, measure: measure, found: found, problem: problem)
      end

      def found_or_not(what, measure, ticket, pump)
        [find(what, measure, ticket, pump), nil]
      rescue Core::InputError => e
        [nil, e.message]
      end

      def of_ring(measured) = measured ? { "oring_id_mm" => measured.inner_mm, "oring_section_mm" => measured.section_mm } : {}

      def find(what, measure, ticket = nil, pump = nil)
        return @seal.call(measure) if what == "seal"

        rated = pump.nil? && ticket && measure["bucket"] && told_flow(ticket)
        bucket = rated ? { "bucket" => { "rated" => rated, **measure["bucket"] } } : {}
        @flow.call({ "pump" => pump&.id, "signs" => ticket&.complaints }.compact.merge(measure, bucket))
      end

      # What the papers were said to give, while no pump leads.
      def told_flow(ticket)
        row = ticket.readings.find { |reading| reading[:trait].to_s == "flow_l_min" && reading[:value].is_a?(Numeric) && !reading[:denied] }
        row && "#{row[:value]} #{row[:unit] || 'L/min'}"
      end
    end
  end
end
