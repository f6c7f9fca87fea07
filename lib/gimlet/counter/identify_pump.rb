# frozen_string_literal: true

require_relative "../core/2_readings/reading"
require_relative "../core/2_readings/shorthand"
require_relative "../core/3_candidates/identify"
require_relative "../core/9_plan/part_differences"
require_relative "../core/value"

module Gimlet
  module Counter
    # Request in, identification out.
    class IdentifyPump
      # `heard` is what the typed line said, `owned` the designations this customer has.
      Result = Core::Value.of(:readings, :heard, :owned, :identification, :part_differences)
      LIKELY_ORDERS = 3
      OBSERVER = { "phone" => "caller", "counter" => "counter", "parts" => "counter", "photo" => "photo" }.freeze

      # @param index [OrderClassIndex]
      # @param snapshot [Core::Catalogue::Snapshot]
      # @param customers [Store::Customers]
      def initialize(index, snapshot, customers)
        @index = index
        @snapshot = snapshot
        @customers = customers
      end

      # @param request [Hash{Symbol=>Object}] of the OpenAPI schema IdentifyRequest
      # @return [Result]
      # @raise [Core::InputError]
      def call(request)
        channel = request[:channel] || "phone"
        heard = shorthand.call(request[:text].to_s, asked: asked(request[:asked]))
        readings = checked(request[:readings] || [], "readings", channel) + checked(heard.readings, "text", channel)
        owned = owned_by(request[:customer_id])
        scope = scope_of(request, heard)
        found = Core::Candidates::Identify.new(@index.field, @index.classes(scope)).call(readings, channel: channel, owned: owned,
                                                                                                   chosen: request[:chosen])
        Result.new(readings: readings, heard: heard, owned: owned, identification: found,
                   part_differences: part_differences(found, scope))
      end

      private

      # Of the two or three orders that are still likely.
      def part_differences(found, scope)
        likely = found.order_classes.first(LIKELY_ORDERS).select { |one| one.probability >= Core::Candidates::Identify::WORTH_COMPARING }
        return [] if likely.size < 2

        Core::Plan::PartDifferences.call(likely.map { |one| one.variants.first }, scope, @snapshot)
      end

      def shorthand
        series = @snapshot.series
        Core::Readings::Shorthand.new("maker" => series.map { |one| one.maker.name }.uniq, "series" => series.map(&:name))
      end

      def asked(trait)
        return trait if trait.nil? || Core::Readings::TRAITS.key?(trait)

        raise Core::InputError.new("“#{trait}” is not a trait.", field: "asked", code: "unknown_trait")
      end

      def checked(rows, field, channel)
        rows.each_with_index.map do |row, at|
          Core::Readings::Reading.from({ observer: OBSERVER.fetch(channel) }.merge(row))
        rescue Core::InputError => e
          raise field == "text" ? e.within("text") : e.within("#{field}[#{at}]")
        end
      end

      # What was agreed, else what was asked for in the line, else everything.
      def scope_of(request, heard)
        [request[:scope], heard.scope].find { |one| one && !one.empty? } || Core::Catalogue::WORK_AREAS.keys
      end

      def owned_by(id)
        return [] unless id

        customer = @customers.find(id) or
          raise Core::InputError.new("There is no customer #{id}.", field: "customer_id", code: "unknown_customer")
        customer[:pumps]
      end
    end
  end
end
