# frozen_string_literal: true

require_relative "../core/1_catalogue/wet_end"
require_relative "measured_on_ticket"
require_relative "plan"

module Gimlet
  module Present
    # What is kept of an order: numbers, names, reasons and sources as they were when it was agreed. A format of its own that later versions
    # read, whatever today's screens look like.
    #
    # `record` is the version of the format. Version 2:
    #
    #   pump         maker, model, serials, series, manual
    #   seen         what was seen, as sentences; sure, models: how sure the order was and which pumps it serves
    #   reason       why it was placed though it was not enough; doubts: [text, reason] that were settled
    #   work         areas [id, name], added [name, why], not_on_file [name], pumps, complaints, found
    #   parts        plan, lines, unfilled, surplus, price_cents; why: each part with its reasons
    #   held         parts that go along and may come back; extent, left_out: how far the work goes and what was left out
    #   keep, count_out, tools, consumables, tightening, steps, stacks, cautions, assumptions: as the plan had them
    #   unit, catalogue_version, entry: the last entry of the ticket that it was made on
    module OrderRecord
      VERSION = 2
      SERVED = 12
      KEPT = %i[keep held extent left_out count_out tools consumables tightening refit steps stacks cautions assumptions].freeze

      module_function

      # @param view [Counter::WorkOnTicket::View]
      # @param reason [String, nil]
      # @return [Hash]
      def of(view, reason)
        plan = Plan.call(view.planned, owned: view.ticket.owned.keys, handed: view.ticket.handed)
        { record: VERSION, pump: pump(plan), reason: reason, **seen(view), work: work(view, plan), parts: parts(plan), why: plan[:demand],
          **plan.slice(*KEPT), unit: view.ticket.unit, catalogue_version: plan[:catalogue_version], entry: view.ticket.last }
      end

      def pump(plan)
        { maker: plan[:maker], model: plan[:model], serials: plan[:serial_range], series: plan[:series], manual: plan[:manual] }
      end

      def seen(view)
        found = view.found.identification
        settled = view.ticket.settled
        order = found.order_classes.find { |one| one.members.any? { |at| view.found.reference.variant(at) == view.pump } }
        { seen: view.found.readings.map(&:to_s), sure: view.sure,
          models: order ? order.members.first(SERVED).map { |at| view.found.reference.variant(at).id } : [view.pump.id],
          doubts: doubts(found.doubts.select { |one| settled.key?(one.key) }, settled) }
      end

      def doubts(standing, settled)
        lone = settled.slice("plate_unconfirmed").map { |_, why| { text: "nothing but the plate says which pump it is", reason: why } }
        standing.map { |one| { text: one.readings.join("; "), reason: settled[one.key] } } + lone
      end

      def work(view, plan)
        names = view.found.reference.snapshot.areas
        complaints = view.ticket.complaints.map { |id| view.found.reference.vocabulary.complaints.fetch(id).name }
        { areas: plan[:scope].map { |id| { id: id, name: names.fetch(id) } },
          added: plan[:added].map { |id, why| { name: names.fetch(id), why: why } },
          not_on_file: plan[:not_on_file].map { |id| names.fetch(id) }, pumps: plan[:pumps], complaints: complaints,
          found: view.ticket.findings.map { |one| found(one) } + measured(view) }
      end

      # What was measured goes with its first sum: the bench sees what the verdict rests on.
      def measured(view)
        told = MeasuredOnTicket.call(view.measured).map do |one|
          ["#{one[:told].delete_suffix('.')}: #{one[:verdict].delete_suffix('.')}", *one[:sums].first(2)].join("; ")
        end
        view.ticket.service.any? ? [*told, Core::Ticket::Kinds::Measured.service(view.ticket.service)] : told
      end

      def found(one)
        [one[:slot].tr("_", " "), one[:position], *one[:measured]&.map { |measure, value| "#{measure} #{value}" },
         one[:outcome] && Core::Catalogue::OUTCOMES.fetch(one[:outcome])].compact.join(", ")
      end

      def parts(plan)
        chosen = plan[:plans].first
        { plan: chosen[:name], lines: chosen[:lines], unfilled: chosen[:unfilled], surplus: chosen[:surplus],
          price_cents: chosen[:price_cents] }
      end
    end
  end
end
