# frozen_string_literal: true

require_relative "../core/value"
require_relative "../exchange/reference_files"
require_relative "measure_flow"
require_relative "measure_seal"

module Gimlet
  module Counter
    # What was measured in the course of a ticket, worked out for the pump that leads it.
    class MeasuredOnTicket
      # `of` and `item` name the place in the log; `found` is MeasureSeal's or MeasureFlow's.
      Kept = Core::Value.of(:of, :item, :what, :measure, :found)
      # A ring in hand is a reading of the part that it came from.
      READ = { "inner_mm" => "oring_id_mm", "section_mm" => "oring_section_mm" }.freeze
      # What is pumped: held against the seals of the plan, not worked out here.
      SERVICE = "service"
      READ_LIP = { "id_mm" => "seal_id_mm", "od_mm" => "seal_od_mm", "height_mm" => "seal_height_mm" }.freeze

      # @param snapshot [Core::Catalogue::Snapshot]
      # @param stock [Hash]
      def initialize(snapshot, stock = {})
        @seal = MeasureSeal.new(snapshot, stock, standards: Exchange::ReferenceFiles::STANDARDS, fit: Exchange::ReferenceFiles::FIT)
        @flow = MeasureFlow.new(snapshot)
      end

      # @param ticket [Core::Ticket::Folded]
      # @param pump [Core::Catalogue::Variant, nil]
      # @return [Array<Kept>]
      def call(ticket, pump)
        ticket.live.select { |one| one.measure && one.measure["what"] != SERVICE }.map do |one|
          what, measure = one.measure.values_at("what", "measure")
          Kept.new(of: one.of, item: one.item, what: what, measure: measure, found: find(what, measure, ticket, pump))
        end
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

      def of_ring(measured) = measured ? { "oring_id_mm" => measured.inner_mm, "oring_section_mm" => measured.section_mm } : {}

      def find(what, measure, ticket = nil, pump = nil)
        return @seal.call(measure) if what == "seal"

        @flow.call({ "pump" => pump&.id, "signs" => ticket&.complaints }.compact.merge(measure))
      end
    end
  end
end
