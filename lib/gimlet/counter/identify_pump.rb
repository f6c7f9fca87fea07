# frozen_string_literal: true

require_relative "../core/1_catalogue/wet_end"
require_relative "../core/2_readings/reading"
require_relative "../core/9_identification/pumps/part_differences"
require_relative "../core/9_identification/pumps/work_on_file"
require_relative "../core/value"
require_relative "reference"

module Gimlet
  module Counter
    # Readings in, identification out.
    class IdentifyPump
      # `heard` is what the typed line said, `owned` the designations this customer has.
      Result = Core::Value.of(:reference, :readings, :heard, :owned, :identification, :part_differences)
      LIKELY_ORDERS = 3
      # Fields that hold words, not readings.
      TYPED = %w[text words].freeze

      # @param reference [Reference]
      # @param customers [Store::Customers]
      def initialize(reference, customers)
        @reference = reference
        @customers = customers
      end

      # @param request [Hash{Symbol=>Object}] of the OpenAPI schema IdentifyRequest; also `kept`, readings of a log, and `settled`, keys of
      #   doubts that stand
      # @return [Result]
      # @raise [Core::InputError]
      def call(request)
        channel = request[:channel] || "phone"
        heard = @reference.ear.call(request[:text].to_s, asked: request[:asked])
        readings = kept(request[:kept] || [], channel) + checked(request[:readings] || [], "readings", channel) +
                   checked(heard.readings, "text", channel)
        owned = owned_by(request[:customer_id])
        agreed = agreed(request, heard)
        scope = agreed.empty? ? @reference.snapshot.areas.keys : agreed
        found = @reference.identify(scope).call(readings, channel: channel, owned: owned, chosen: request[:chosen],
                                                          settled: request[:settled] || [])
        Result.new(reference: @reference, readings: readings, heard: heard, owned: owned, identification: on_file(found, agreed),
                   part_differences: part_differences(found, scope))
      end

      # @return [Array<Core::Readings::Reading>]
      def checked(rows, field, channel)
        rows.each_with_index.map do |row, at|
          Core::Readings::Reading.from({ observer: Core::Readings::OBSERVER.fetch(channel) }.merge(row), @reference.vocabulary)
        rescue Core::InputError => e
          raise e.within(TYPED.include?(field) ? field : "#{field}[#{at}]")
        end
      end

      # Readings that were checked when they were taken. A trait that the vocabulary has no more, or a size that it does not take any more, tells
      # nothing now; the words stay in the log.
      # @return [Array<Core::Readings::Reading>]
      def kept(rows, channel)
        rows.flat_map do |row|
          checked([row], "readings", channel)
        rescue Core::InputError
          []
        end
      end

      # @return [Array<String>] designations
      def owned_by(id)
        return [] unless id

        customer = @customers.find(id) or
          raise Core::InputError.new("There is no customer #{id}.", field: "customer_id", code: "unknown_customer")
        customer[:pumps]
      end

      private

      # Of the two or three orders that are still likely.
      def part_differences(found, scope)
        likely = found.order_classes.first(LIKELY_ORDERS).select { |order_class| order_class.probability >= Core::Identification::Identify::WORTH_COMPARING }
        return [] if likely.size < 2

        Core::Identification::PartDifferences.call(likely.to_h do |order|
          [@reference.variant(order.members.first), @reference.parts(order.members.first, scope)]
        end)
      end

      def on_file(found, agreed)
        Core::Identification::WorkOnFile.held(found, agreed, @reference.variant(found.order_classes.first.members.first))
      end

      # What was agreed, else what was asked for in the line.
      def agreed(request, heard) = [request[:scope], heard.scope].find { |one| one && !one.empty? } || []
    end
  end
end
