# frozen_string_literal: true

require "time"
require_relative "../core/1_catalogue/inspection"
require_relative "../core/bench/log"
require_relative "../core/entry"
require_relative "../core/order/changes"
require_relative "../core/plain"

module Gimlet
  module Counter
    # What was found on pieces at the bench goes back to the counter: what the order would be with it, and onto its ticket once the counter takes it
    # up. Nothing is changed before it is agreed there.
    #
    #   FoundAtBench.new(order, bench_entries, ticket_entries).waiting # => entries of the ticket that it would add
    class FoundAtBench
      # @param order [Core::Order]
      # @param bench [Array<Core::Entry>]
      # @param ticket [Array<Core::Entry>] of the order's ticket
      def initialize(order, bench, ticket)
        @order = order
        @found = Core::Bench::Log.of(bench.select { |entry| entry.kind == "found" }, nil).found
        @ticket = ticket
      end

      # @return [Array<Hash>] of the OpenAPI schema FoundAtBench
      def findings
        latest.map do |entry|
          body = entry.body
          { text: text(body), pump: body["pump"] || 1, who: entry.who, at: entry.at.iso8601, taken: taken?(body) }
        end
      end

      # @return [String, nil] what the counter has to see to itself
      def note
        pumps = @order.record["work"]["pumps"]
        "The ticket counts a finding for all #{pumps} pumps of the order: set its lines by hand there." if pumps > 1 && waiting.any?
      end

      # @return [Array<Hash>] bodies of `inspected` entries that the ticket does not have yet
      def waiting = latest.map(&:body).reject { |body| taken?(body) }.map { |body| body.slice("slot", "position", "outcome") }.uniq

      # @return [Array<Core::Entry>] the ticket as it would be with them
      def with_them
        number = @ticket.last&.number || 0
        @ticket + waiting.each.with_index(1).map do |body, at|
          Core::Entry.new(number: number + at, kind: "inspected", body: body, at: @ticket.last.at, who: "bench")
        end
      end

      # @return [String] why the order is opened again
      def reason = "found at the bench: #{latest.map(&:body).reject { |body| taken?(body) }.map { |body| text(body) }.join('; ')}"[0, 400]

      private

      # The last word on each piece.
      def latest = @found.to_h { |entry| [entry.body.values_at("pump", "slot", "position"), entry] }.values

      def text(body)
        place = body["position"] ? ", #{body['position']}" : ""
        pump = @order.record["work"]["pumps"] > 1 ? ", pump #{body['pump'] || 1}" : ""
        "#{body['name']}#{place}#{pump}: #{Core::Catalogue::OUTCOMES.fetch(body['outcome'])}"
      end

      def taken?(body)
        last = @ticket.reverse.find do |entry|
          entry.kind == "inspected" && entry.body.values_at("slot", "position") == body.values_at("slot", "position")
        end
        last&.body&.fetch("outcome", nil) == body["outcome"]
      end
    end
  end
end
