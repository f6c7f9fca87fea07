# frozen_string_literal: true

require_relative "../core/2_readings/reading"
require_relative "../core/6_kit_plan/plans"
require_relative "../core/input_error"
require_relative "../core/7_tightening/extension"
require_relative "../core/8_tools/wrench"
require_relative "../core/ticket/ticket"
require_relative "identify_pump"
require_relative "known_things"
require_relative "measured_on_ticket"

module Gimlet
  module Counter
    # One step of a ticket: one entry, checked and appended.
    class AddEntry
      # Kinds that a client may send, with the keys that its body keeps.
      KEPT = { "said" => %w[words asked], "answered" => %w[reading label], "not_sure" => %w[trait], "taken_up" => %w[words of reading complaint],
               "measured" => %w[what measure],
               "struck" => %w[of item], "restored" => %w[of item], "customer" => %w[customer_id], "channel" => %w[channel],
               "work" => %w[areas agreed pumps positions], "extent" => %w[extent], "checked" => %w[check result],
               "inspected" => %w[slot position outcome measured], "had" => %w[number quantity], "owns" => %w[tool has from to unit mark],
               "handed" => %w[tool how], "entered" => %w[pump fastener value unit source], "pump" => %w[id],
               "settled" => %w[doubt reason], "plan" => %w[policy], "fixed" => %w[number quantity reason], "also" => %w[number quantity reason],
               "extension" => %w[lever_mm extension_mm angle_deg], "unit" => %w[unit], "closed" => %w[reason], "reopened" => %w[reason] }.freeze
      REASON = 3

      # @param reference [Reference]
      # @param tickets [Store::Tickets]
      # @param customers [Store::Customers]
      def initialize(reference, tickets, customers)
        @reference = reference
        @tickets = tickets
        @customers = customers
        @identify = IdentifyPump.new(reference, customers)
        @known = KnownThings.new(reference.snapshot)
        @measured = MeasuredOnTicket.new(reference)
      end

      # @param id [Integer]
      # @param request [Hash{String=>Object}] of the OpenAPI schema NewEntry
      # @raise [Core::InputError] nothing was added
      def call(id, request)
        kind = request["kind"]
        channel = Core::Ticket::Folded.of(@tickets.entries(id)).channel
        body = checked(kind, request.slice(*KEPT.fetch(kind)), channel)
        @tickets.append(id, kind: kind, key: request["key"], who: request["who"] || "counter") do |entries|
          open_ticket(kind, entries)
          referring(kind, body, entries)
          body
        end
      end

      # What a line says, as an entry keeps it, with who observed it: that follows from how the customer is present.
      # @return [Hash] "items" and "unheard", plain data
      def listen(words, asked, channel)
        heard = @reference.ear.call(words, asked: asked)
        @identify.checked(heard.readings, "words", channel)
        { "items" => heard.items.map { |one| plain(one, channel) }, "unheard" => heard.unheard.map do |one|
          one.to_h.transform_keys(&:to_s)
        end }
      end

      private

      def open_ticket(kind, entries)
        ticket = Core::Ticket::Folded.of(entries)
        if kind == "reopened"
          reject("kind", "open", "This ticket is open.") if ticket.state == "open"
        elsif ticket.state == "ordered"
          reject("kind", "ordered", "This ticket is order #{ticket.order_id} already: amend that, or start a new ticket for another job.")
        elsif ticket.state == "closed"
          reject("kind", "closed", "This ticket is closed: open it again first.")
        end
      end

      def checked(kind, body, channel)
        case kind
        when "said" then body.merge("heard" => listen(needed(body, "words"), body["asked"], channel))
        when "answered" then reading(body, channel)
        when "not_sure" then body.tap { @reference.vocabulary.trait(body["trait"]) }
        when "taken_up" then taken_up(body, channel)
        when "measured" then body.merge("readings" => observed(@measured.readings(body), channel))
        when "customer" then body.tap { @identify.owned_by(body["customer_id"]) }
        when "settled" then settled(body)
        when "closed", "reopened" then body.tap { reasoned(body) }
        when "owns" then owns(body)
        when "extension" then body.tap { body["lever_mm"] && Core::Tightening::Extension.of(*body.values_at("lever_mm", "extension_mm", "angle_deg").compact) }
        when "work", "inspected", "had", "fixed", "also", "checked", "handed", "entered" then body.tap { @known.check(kind, body) }
        else body
        end
      end

      def needed(body, key)
        text = body[key].to_s.strip
        text.empty? ? reject(key, "missing", "Type something first.") : body[key]
      end

      def reading(body, channel)
        told = { "observer" => IdentifyPump::OBSERVER.fetch(channel) }.merge(body["reading"] || {})
        @identify.checked([told.transform_keys(&:to_sym)], "reading", channel)
        body.merge("reading" => told)
      end

      def taken_up(body, channel)
        needed(body, "words")
        return reading(body, channel) if body["reading"]

        @reference.vocabulary.complaints.key?(body["complaint"]) ||
          reject("complaint", "unknown_complaint", "“#{body['complaint']}” is not a complaint known here.")
        body
      end

      # A torque wrench is called by its range.
      def owns(body)
        return body.merge("tool" => Core::Tools::Wrench.customer(*body.values_at("from", "to", "unit", "mark")).name) if body["from"]

        needed(body, "tool") && body
      end

      def settled(body)
        return body if body["reason"].nil? || body["reason"].strip.size >= REASON

        reject("reason", "reason_too_short", "Say in a few words why the doubt stands.")
      end

      def reasoned(body)
        body["reason"].to_s.strip.size >= REASON || reject("reason", "reason_too_short", "Say in a few words why: it stands in the call.")
      end

      # What is struck out or brought back must be there.
      def referring(kind, body, entries)
        return unless %w[struck restored].include?(kind)

        line = Core::Ticket::Folded.of(entries).lines.find { |one| one.number == body["of"] }
        return if line&.items&.any? && (body["item"].nil? || line.items[body["item"]])

        reject("of", "unknown_entry", "There is nothing to strike out in line #{body['of']}.")
      end

      def plain(item, channel)
        measured = item.measure && @measured.readings(item.measure)
        read = item.readings&.map { |one| fields(one) } || measured
        seen = read && observed(read, channel)
        item.to_h.compact.transform_keys(&:to_s).merge("readings" => seen).compact
      end

      def observed(readings, channel) = readings.map { |one| { "observer" => IdentifyPump::OBSERVER.fetch(channel) }.merge(one) }

      # Exact numbers become plain ones, in the unit they were said in.
      def fields(reading)
        reading.to_h { |key, value| [key.to_s, number(value)] }
      end

      def number(value)
        case value
        when Rational then value.denominator == 1 ? value.to_i : value.to_f
        when Array then value.map { |one| number(one) }
        else value
        end
      end

      def reject(...) = Core::InputError.reject(...)
    end
  end
end
