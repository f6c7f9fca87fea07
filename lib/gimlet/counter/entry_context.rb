# frozen_string_literal: true

require_relative "../core/input_error"
require_relative "../exchange/vocabulary_files"
require_relative "../store/clock"
require_relative "diagnose_call"
require_relative "identify_pump"
require_relative "measured_on_ticket"

module Gimlet
  module Counter
    # What an entry of a ticket may speak of: the catalogue, the vocabulary, customers, and what is heard of words. Which pump the ticket is for may
    # still change.
    #
    #   known = EntryContext.new(reference, customers, ticket)
    #   known.listen("8 bolts", nil) # => {"items" => [...], "choices" => [], "unheard" => []}
    class EntryContext
      HAZARDS = Exchange::VocabularyFiles.hazards
      HEARING = Core::Safety::Hearing.new(HAZARDS)

      # @param reference [Reference]
      # @param customers [Store::Customers]
      # @param ticket [Core::Ticket::TicketState] so far
      def initialize(reference, customers, ticket)
        @reference = reference
        @customers = customers
        @ticket = ticket
        @channel = ticket.channel
        @identify = IdentifyPump.new(reference, customers)
      end

      def snapshot = @reference.snapshot
      def vocabulary = @reference.vocabulary
      def today = Store::Clock.today
      def diagnosis = DiagnoseCall::MODEL

      # @return [Array<Hash>] dangers that a line tells of, plain data: id, sure, from, to
      def hazards(words) = dangers(words).map { |one| { "id" => one.hazard.id, "sure" => one.sure, "from" => one.from, "to" => one.to } }

      # @return [Core::Safety::Hazard]
      # @raise [Core::InputError] when there is none of that id
      def hazard(id)
        HAZARDS.all[id] || Core::InputError.reject("hazard", "unknown_hazard", "“#{id}” is no danger: use #{HAZARDS.all.keys.join(', ')}.")
      end

      # @return [Boolean] whether a check can be answered so
      def answer?(result) = DiagnoseCall::ANSWERS.key?(result)

      # @return [Core::Ear::ParseResult] what a line would say; words that tell of a danger were heard
      def hear(words, asked)
        heard = @reference.ear.call(words, asked: asked, before: @ticket.before, customers: named)
        heard.with(unheard: heard.unheard.reject { |left| dangers(words).any? { |danger| left.from < danger.to && danger.from < left.to } })
      end

      # What a line says, as an entry keeps it, with who observed it.
      # @return [Hash] "items", "choices" and "unheard", plain data
      # @raise [Core::InputError]
      def listen(words, asked)
        heard = hear(words, asked)
        @identify.checked(heard.readings, "words", @channel)
        { "items" => heard.items.map { |item| item(item) }, "choices" => heard.choices.map { |choice| choice(choice) },
          "unheard" => heard.unheard.map { |row| row.to_h.transform_keys(&:to_s) } }
      end

      # @return [Hash{String=>Object}, nil] a choice that a line left open
      def open_choice(of, at)
        line = @ticket.lines.find { |one| one.number == of }
        line&.choices&.any? { |open| open[:choice] == at } ? line.body.dig("heard", "choices", at) : nil
      end

      # @param row [Hash{String=>Object}] a reading as it was sent
      # @return [Hash{String=>Object}] with who observed it
      # @raise [Core::InputError]
      def reading(row)
        observed(row || {}).tap { |told| @identify.checked([told.transform_keys(&:to_sym)], "reading", @channel) }
      end

      # @param body [Hash{String=>Object}] what and measure
      # @return [Array<Hash>] readings that follow from what was measured
      # @raise [Core::InputError]
      def measured(body) = measured_on_ticket.readings(body).map { |row| observed(row) }

      # @param id [Integer, nil]
      # @raise [Core::InputError] when there is no such customer
      def customer(id) = @identify.owned_by(id)

      # @raise [Core::InputError] when no part or kit has the number
      def sold(number)
        snapshot.part(number) || snapshot.kit(number) ||
          Core::InputError.reject("number", "unknown_part", "There is no part or kit “#{number}”.")
      end

      private

      def dangers(words) = (@dangers ||= {})[words] ||= HEARING.call(words)

      def named = @customers.all.to_h { |row| [row[:name], row[:id]] }

      # An option that no pump can have is none.
      def choice(choice)
        options = choice.options.map { |items| items.map { |item| item(item) } }
        { "words" => choice.words, "from" => choice.from, "to" => choice.to, "options" => options }
      end

      def measured_on_ticket = @measured_on_ticket ||= MeasuredOnTicket.new(@reference)
      def observed(row) = { "observer" => Core::Readings::OBSERVER.fetch(@channel) }.merge(row)

      def item(item)
        follows = item.measure && measured_on_ticket.readings(item.measure)
        readings = item.readings&.map { |reading| fields(reading) } || follows
        item.to_h.compact.transform_keys(&:to_s).merge("readings" => readings&.map { |row| observed(row) }).compact
      end

      # Exact numbers become plain ones, in the unit they were said in.
      def fields(reading) = reading.to_h { |key, value| [key.to_s, number(value)] }

      def number(value)
        case value
        when Rational then value.denominator == 1 ? value.to_i : value.to_f
        when Array then value.map { |inner| number(inner) }
        else value
        end
      end
    end
  end
end
