# frozen_string_literal: true

require_relative "../core/5_demand/finding"
require_relative "../core/7_tightening/entered"
require_relative "../core/input_error"
require_relative "diagnose_call"

module Gimlet
  module Counter
    # What an entry about the work speaks of must be in the catalogue: which pump it is for may still change.
    class KnownThings
      REASON = 3

      # @param snapshot [Core::Catalogue::Snapshot]
      def initialize(snapshot)
        @snapshot = snapshot
      end

      # @param kind [String] of Core::Ticket::KINDS
      # @param body [Hash{String=>Object}]
      # @raise [Core::InputError] names the field and what there is
      def check(kind, body) = send(kind, body)

      private

      def work(body)
        known = @snapshot.areas.keys
        (body["areas"] - known).each { |id| reject("areas", "unknown_area", "“#{id}” is no work area: use #{known.join(', ')}.") }
        (body["positions"] || {}).each { |area, positions| places(area, positions) }
      end

      def places(area, positions)
        known = @snapshot.series.filter_map { |one| one.area(area) && one.area(area).stacks.flat_map { |id| one.stack(id).positions } }.flatten.uniq
        (positions - known).each do |one|
          reject("positions.#{area}", "unknown_position", "No pump has “#{one}” for #{area.tr('_', ' ')}: use #{known.join(', ')}.")
        end
      end

      def inspected(body)
        stacks = @snapshot.series.flat_map(&:stacks).select { |stack| stack.layer(body["slot"]) }
        reject("slot", "unknown_slot", "No pump has “#{body['slot']}” to find anything on.") if stacks.empty?
        position = body["position"]
        unless position.nil? || stacks.any? { |stack| stack.positions.include?(position) }
          reject("position", "unknown_position", "There is no “#{body['slot']}” at “#{position}”.")
        end
        layers = stacks.flat_map(&:layers).select { |layer| layer.slot == body["slot"] }
        Core::Finding.from(body.transform_keys(&:to_sym)).judged(layers)
      end

      def had(body) = @snapshot.part(body["number"]) || reject("number", "unknown_part", "No pump has a part “#{body['number']}”.")

      def fixed(body)
        number = body["number"]
        @snapshot.part(number) || @snapshot.kit(number) || reject("number", "unknown_part", "There is no part or kit “#{number}”.")
        return if body["quantity"].nil? || body["reason"].to_s.strip.size >= REASON

        reject("reason", "reason_too_short", "Say in a few words why the line is set by hand: it stands on the order and the card.")
      end

      def also(body)
        number = body["number"]
        @snapshot.part(number) || @snapshot.kit(number) || reject("number", "unknown_part", "There is no part or kit “#{number}”.")
        body["quantity"].nil? || body["quantity"].positive? || reject("quantity", "too_few", "At least one of it goes along.")
        return if body["quantity"].nil? || body["reason"].to_s.strip.size >= REASON

        reject("reason", "reason_too_short", "Say in a few words what it is for: it stands on the order and the card.")
      end

      def checked(body)
        checks = DiagnoseCall::MODEL.checks.map(&:id)
        reject("check", "unknown_check", "“#{body['check']}” is no check: use #{checks.join(', ')}.") unless checks.include?(body["check"])
        return if body["result"].nil? || DiagnoseCall::ANSWERS.key?(body["result"])

        reject("result", "bad_result", "A check is answered with yes or no.")
      end

      # A tool that only fits one series is lent or sold; a spanner is not.
      def handed(body)
        made = @snapshot.series.flat_map(&:tools).select(&:number).map(&:name)
        made.include?(body["tool"]) || reject("tool", "unknown_tool", "“#{body['tool']}” is not lent or sold here.")
      end

      def entered(body)
        pump = @snapshot.variants.find { |one| one.id == body["pump"] } || reject("pump", "unknown_pump", "There is no pump “#{body['pump']}”.")
        fastener = pump.series.fastener(body["fastener"]) ||
                   reject("fastener", "unknown_fastener", "#{pump.id} has no “#{body['fastener']}” to tighten.")
        unless Core::Tightening::Instruct.call(fastener, pump, unit: "N·m").tightening.kind == "none"
          reject("fastener", "on_file", "The sheet has a value for the #{fastener.name}: that one stands.")
        end
        body["value"] && Core::Tightening::Entered.of(*body.values_at("value", "unit", "source"))
      end

      def reject(...) = Core::InputError.reject(...)
    end
  end
end
