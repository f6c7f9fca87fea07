# frozen_string_literal: true

require_relative "../core/5_kit_plan/plans"
require_relative "../core/desk/terms"
require_relative "../core/order/agreed_on_screen"
require_relative "../core/outside/drips"
require_relative "../core/ticket/kinds"
require_relative "../core/ticket/readiness"
require_relative "diagnosis"
require_relative "item_texts"
require_relative "identification"
require_relative "input_hints"
require_relative "job"
require_relative "measured_on_ticket"
require_relative "outside"
require_relative "plan"
require_relative "stops"
require_relative "together"

module Gimlet
  module Present
    # A ticket with all that its entries lead to, as one answer.
    #
    #   TicketView.call(view)[:settled] # => {"pump" => true, "work" => false, ...}
    class TicketView
      # What the ticket says as it is.
      SHOWN = %i[channel customer_id scope agreed pumps findings chosen policy unit extent had fixed extension state wanted amends].freeze

      # @param view [Counter::WorkOnTicket::View]
      # @param terms [Core::Desk::Terms]
      # @param jobs [Array<Counter::WorkOnTicket::View>] of its call, where there are several
      # @return [Hash]
      def self.call(view, terms = Core::Desk::Terms.none, jobs: []) = new(view, terms, jobs).call

      def initialize(view, terms, jobs)
        @jobs = jobs
        @terms = terms
        @view = view
        @ticket = view.ticket
        @vocabulary = view.found.reference.vocabulary
        @texts = ItemTexts.new(@vocabulary, @view.found.reference.diagnosis)
      end

      def call
        reference = @view.found.reference
        { id: @view.id, last: @ticket.last, stops: Stops.call(@view.stops), ticket: state, call: @ticket.lines.map { |line| line(line) },
          found: Identification.call(@view.found), pump: pump, plan: plan, drips: drips, seen: seen, tray: tray, turns: turns, **standing,
          phrases: InputHints.call(@view.found),
          diagnosis: @view.diagnosis && Diagnosis.call(@view.diagnosis, reference.snapshot.areas, reference.diagnosis),
          measured: MeasuredOnTicket.call(@view.measured), extents: extents, amending: amending,
          jobs: @jobs.map { |job| Job.call(job, @terms) }, together: Together.call(@jobs, @terms) }
      end

      private

      def standing
        { lacking: readiness.blockers.map(&:to_h), enough: readiness.enough?, **readiness.to_h.slice(:settled, :doubt), order_id: @ticket.order_id }
      end

      def readiness = @view.readiness
      def extents = @view.extents.map { |id, cost| extent(id, cost) }
      def amending = @view.amending&.to_h&.slice(:id, :revision, :cancelled_at, :cancelled_because)

      # A plan that stayed as it was is shown as it was.
      def plan
        @plan ||= @view.planned && recalled(:shown_plan, @ticket.owned.keys, @ticket.handed, @terms.mark) do
          Plan.call(@view.planned, owned: @ticket.owned.keys, handed: @ticket.handed, terms: @terms)
        end
      end

      def seen = plan && recalled(:seen_plan, @ticket.owned.keys, @ticket.handed) { Core::Order::AgreedOnScreen.of(plan) }
      def recalled(*key, &) = @view.found.reference.field.recall(:results, [*key, @view.planned.object_id], &)

      def state
        @ticket.to_h.slice(*SHOWN)
               .merge(sighted: sighted, day_offered: @ticket.day_offered,
                      positions: @ticket.at, owned: @ticket.owned.keys, customer: @view.customer&.except(:tools),
                      late: @ticket.late.map { |id, added| { area: id, added: added } },
                      complaints: @ticket.complaints.map { |id| @vocabulary.complaints[id]&.name || id }, wishes: @ticket.wishes,
                      settled: @ticket.settled.map { |key, reason| { doubt: key, reason: reason, text: Core::Ticket::Readiness::TEXTS[key] } })
      end

      # By when they hear, while the pump waits as one that is not on file.
      def sighted = @ticket.state == "sighted" ? @ticket.sighted.slice(:due_on) : nil

      def turns = { most: @view.turns.most&.to_h, less: @view.turns.less }

      def words(one) = Core::Ticket::Kinds.of(one.kind).words(one.body, @view.found.reference.snapshot.areas)

      # A colleague reads the call as it went.
      def line(line)
        pumps, orders = @view.steps[line.number]
        unheard = line.unheard.map { |words| words.slice("words", "note") }
        { number: line.number, kind: line.kind, at: line.at.iso8601, who: line.who, words: line.words, text: words(line), struck: line.struck,
          items: line.items.map { |item| item(item) }, choices: line.choices.map { |open| choice(open) }, unheard: unheard,
          pumps: pumps, orders: orders }
      end

      # What some words may mean, while nobody has said which.
      def choice(choice) = choice.merge(options: choice[:options].map { |items| items.flat_map { |item| @texts.texts(item) } })

      def item(item)
        { item: item.item, texts: @texts.texts(item), from: item.from, to: item.to, struck: item.struck,
          traits: (item.readings || []).map { |fields| fields[:trait] } }
      end

      # What going so far would cost, and what it leaves to chance.
      def extent(id, cost)
        { id: id, name: Core::Extent::NAMES.fetch(id), warning: Core::Extent::WARNINGS.fetch(id), **cost.to_h, chosen: id == @ticket.extent }
      end

      def pump
        one = @view.pump or return
        { id: one.id, model: one.designation, maker: one.series.maker.name, series: one.series.name, serial_range: one.serial_range,
          sure: @view.sure.round(6) }
      end

      # Where a pump that leaks may drip, to be pointed at, while nobody has said it.
      def drips
        asked = @view.diagnosis&.found&.closer
        elsewhere = asked ? @view.found.reference.diagnosis.closer(asked).select(&:off_picture) : []
        return if @view.pump.nil? || elsewhere.empty?

        side, places = Core::Outside::Drips.of(@view.pump)
        { view: Outside.view(side), places: places.map(&:to_h), elsewhere: elsewhere.map { |sign| sign.to_h.slice(:id, :name, :say) } }
      end

      def tray
        contents = @view.tray
        { certain: contents.certain.map { |line, quantity| piece(line, quantity) }, price_cents: contents.price_cents, name: contents.name,
          gross_cents: @terms.gross(contents.price_cents),
          open: contents.open.map do |own|
            { id: own.variant.id, probability: own.probability.round(4), wasted_cents: own.wasted_cents,
              lines: own.lines.map { |line, quantity| piece(line, quantity) } }
          end }
      end

      def piece(line, quantity)
        { number: line.number, name: line.name, quantity: quantity, pack: line.pack, price_cents: line.price_cents * quantity,
          short: line.short_of(quantity), promised: line.promised, free: line.free,
          comes: @terms.arrivals.said(line.number, line.short_of(quantity)) }
      end
    end
  end
end
