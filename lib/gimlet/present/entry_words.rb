# frozen_string_literal: true

require_relative "../core/1_catalogue/inspection"
require_relative "../core/2_readings/trait"
require_relative "../core/4_teardown/extent"
require_relative "../core/6_kit_plan/plans"
require_relative "measured_on_ticket"

module Gimlet
  module Present
    # What an entry of a ticket's log that was not said is called.
    class EntryWords
      # @param areas [Hash{String=>String}] work area id => name
      def initialize(areas)
        @areas = areas
      end

      # @param line [Core::Ticket::Line]
      # @return [String, nil]
      def call(line)
        respond_to?(line.kind, true) ? send(line.kind, line.body) : nil
      end

      private

      def answered(body) = body["label"] || "answered"
      def not_sure(_body) = "not sure"
      def taken_up(_body) = "taken up by hand"
      def measured(body) = "measured: #{MeasuredOnTicket.words(body)}"
      def struck(body) = "struck out: line #{body['of']}"
      def restored(body) = "brought back: line #{body['of']}"
      def customer(body) = body["customer_id"] ? "customer named" : "customer not named"
      def channel(body) = Core::Readings::CHANNELS.fetch(body["channel"])
      def pump(body) = body["id"] ? "#{body['id']} taken by hand" : "the leading order again"
      def plan(body) = "buy #{Core::KitPlan::POLICIES.fetch(body['policy'])}"
      def unit(body) = "torques in #{body['unit']}"
      def ordered(body) = "saved as order #{body['order_id']}#{": #{body['reason']}" if body['reason']}"
      def closed(body) = "closed: #{body['reason']}"
      def reopened(body) = "opened again: #{body['reason']}"
      def extent(body) = Core::Extent::NAMES.fetch(body["extent"])
      def checked(body) = "#{body['check'].tr('_', ' ')}: #{body['result'] || 'open again'}"
      def had(body) = "the customer has #{body['quantity']} × #{body['number']}"

      def extension(body)
        return "no extension" unless body["lever_mm"]

        turned = " turned #{body['angle_deg']}°" if body["angle_deg"].to_f.positive?
        "an extension of #{body['extension_mm']} mm#{turned} on a lever of #{body['lever_mm']} mm"
      end

      def handed(body) = "#{body['tool']}: #{body['how'] || 'stays here'}"

      def entered(body)
        name = body["fastener"].tr("_", " ")
        body["value"] ? "#{name}: #{body['value']} #{body['unit']}, from #{body['source']}" : "#{name}: no value"
      end

      def owns(body) = "the customer has #{'no ' unless body['has']}#{body['tool'].delete_prefix("customer's ")}"

      def fixed(body)
        "#{body['number']} #{body['quantity'] ? "set to #{body['quantity']}: #{body['reason']}" : 'left to the plan again'}"
      end

      def also(body) = body["quantity"] ? "#{body['quantity']} × #{body['number']} goes along: #{body['reason']}" : "#{body['number']} stays here"

      def settled(body)
        doubt = body["doubt"].tr("_", " ")
        body["reason"] ? "“#{doubt}” stands: #{body['reason']}" : "“#{doubt}” is open again"
      end

      def inspected(body)
        return "#{body['slot'].tr('_', ' ')} found worn" if body["worn"]

        measured = (body["measured"] || {}).map { |measure, value| "#{measure} #{value}" }
        found = [*measured, body["outcome"] && Core::Catalogue::OUTCOMES.fetch(body["outcome"])].compact
        "#{[body['slot'].tr('_', ' '), body['position']].compact.join(', ')}: #{found.empty? ? 'open again' : found.join(', ')}"
      end

      def work(body)
        names = (body["areas"] || []).map { |id| [@areas.fetch(id, id), *body.dig("positions", id)].join(" ") }.join(", ")
        [body["agreed"] ? "agreed" : "work", (names unless names.empty?), ("#{body['pumps']} pumps" if (body["pumps"] || 1) > 1)].compact.join(": ")
      end
    end
  end
end
