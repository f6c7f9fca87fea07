# frozen_string_literal: true

require_relative "../1_catalogue/inspection"
require_relative "../ticket/kinds"
require_relative "order"

module Gimlet::Core
  class Order
    # What is kept of an order: numbers, names, reasons and sources as they were when it was agreed. A format of its own that later versions
    # read (versions.rb), whatever today's screens look like.
    #
    # `record` is the version of the format. Version 2:
    #
    #   pump         maker, model, serials, series, manual
    #   seen         what was seen, as sentences; sure, models: how sure the order was and which pumps it serves
    #   reason       why it was placed though it was not enough; doubts: [text, reason] that were settled
    #   work         areas [id, name], added [name, why], not_on_file [name], pumps, complaints, found
    #   parts        plan, lines, unfilled, surplus, price_cents; why: each part with its reasons
    #   held         parts that go along and may come back; extent, left_out: how far the work goes and what was left out
    #   keep, count_out, tools, consumables, tightening, steps, stacks, cautions, signs, assumptions, outside: as the plan had them
    #   stops        dangers that stood, with what is done first, and what the caller was told
    #   unit, catalogue_version, entry: the last entry of the ticket that it was made on
    class Record
      # What an order may stand on for a reason.
      LONE = { "plate_unconfirmed" => "nothing but the plate says which pump it is",
               "size_unconfirmed" => "nothing that goes by size was told" }.freeze

      VERSION = 2
      SERVED = 12
      KEPT = %i[keep held extent left_out count_out tools consumables tightening refit steps stacks cautions signs assumptions outside].freeze

      # @param view [Counter::WorkOnTicket::View]
      # @param plan [Hash] as the screen has it (Present::Plan)
      # @param measured [Array<Hash>] told, verdict, sums of what was measured (Present::MeasuredOnTicket)
      # @param stops [Array<Hash>] dangers that stand (Present::Stops)
      # @param reason [String, nil]
      # @return [Hash] plain data
      def self.of(view, plan:, measured:, stops:, reason:) = new(view, plan, measured, stops).call(reason)

      def initialize(view, plan, measured, stops)
        @stops = stops
        @view = view
        @ticket = view.ticket
        @reference = view.found.reference
        @plan = plan
        @measured = measured
      end

      def call(reason)
        { record: VERSION, pump: pump, reason: reason, wanted: @ticket.wanted, **seen, stops: @stops, work: work, parts: parts,
          why: @plan[:demand], **@plan.slice(*KEPT), unit: @ticket.unit, catalogue_version: @plan[:catalogue_version], entry: @ticket.last }
      end

      private

      def pump
        @plan.slice(:maker, :model, :series, :manual).merge(serials: @plan[:serial_range])
      end

      def seen
        found = @view.found.identification
        order = found.order_classes.find { |order_class| order_class.members.any? { |at| @reference.variant(at) == @view.pump } }
        { seen: @view.found.readings.map(&:to_s), sure: @view.sure, doubts: doubts(found.doubts),
          models: order ? order.members.first(SERVED).map { |at| @reference.variant(at).id } : [@view.pump.id] }
      end

      def doubts(standing)
        settled = @ticket.settled
        lone = settled.slice(*LONE.keys).map { |key, why| { text: LONE.fetch(key), reason: why } }
        standing.select { |doubt| settled.key?(doubt.key) }
                .map { |doubt| { text: doubt.readings.join("; "), reason: settled[doubt.key] } } + lone
      end

      def work
        names = @reference.snapshot.areas
        complaints = @ticket.complaints.map { |id| @reference.vocabulary.complaints.fetch(id).name }
        { areas: @plan[:scope].map { |id| { id: id, name: names.fetch(id) } },
          added: @plan[:added].map { |id, why| { name: names.fetch(id), why: why } },
          not_on_file: @plan[:not_on_file].map { |id| names.fetch(id) }, pumps: @plan[:pumps], complaints: complaints,
          found: @ticket.findings.map { |finding| found(finding) } + measured }
      end

      # What was measured goes with its first sum: the bench sees what the verdict rests on.
      def measured
        told = @measured.map do |row|
          ["#{row[:told].delete_suffix('.')}: #{row[:verdict].delete_suffix('.')}", *row[:sums].first(2)].join("; ")
        end
        @ticket.service.any? ? [*told, Ticket::Kinds::Measured.service(@ticket.service)] : told
      end

      def found(finding)
        [@view.pump.series.piece(finding[:slot]), finding[:position], *finding[:measured]&.map { |measure, value| "#{measure} #{value}" },
         finding[:outcome] && Catalogue::OUTCOMES.fetch(finding[:outcome])].compact.join(", ")
      end

      def parts
        @plan[:plans].first.then { |chosen| { plan: chosen[:name], **chosen.slice(:lines, :unfilled, :surplus, :price_cents) } }
      end
    end
  end
end
