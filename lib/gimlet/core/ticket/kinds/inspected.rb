# frozen_string_literal: true

require_relative "../../1_catalogue/inspection"
require_relative "../../4_demand/finding"
require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # What was found on a piece; neither outcome nor measure takes it back.
      class Inspected < Kind
        field "slot", TEXT.call(60)
        field "position", { "type" => %w[string null], "maxLength" => 200 }, required: false
        field "outcome", { "type" => %w[string null], "enum" => [*Catalogue::OUTCOMES.keys, nil] }, required: false
        field "measured", { "type" => %w[object null], "maxProperties" => 10,
                            "additionalProperties" => { "type" => "number", "minimum" => 0, "maximum" => 1_000_000 } }, required: false

        def self.check(body, known)
          stacks = known.snapshot.series.flat_map(&:stacks).select { |stack| stack.layer(body["slot"]) }
          reject("slot", "unknown_slot", "No pump has “#{body['slot']}” to find anything on.") if stacks.empty?
          position = body["position"]
          unless position.nil? || stacks.any? { |stack| stack.positions.include?(position) }
            reject("position", "unknown_position", "There is no “#{body['slot']}” at “#{position}”.")
          end
          Finding.from(symbols(body)).judged(stacks.flat_map(&:layers).select { |layer| layer.slot == body["slot"] })
          body
        end

        def self.fold(entries, _live) = { findings: latest(entries, "slot", "position") { |body| finding(body) }.values }

        def self.words(body, _areas)
          return "#{plain(body['slot'])} found worn" if body["worn"]

          measured = (body["measured"] || {}).map { |measure, value| "#{measure} #{value}" }
          found = [*measured, body["outcome"] && Catalogue::OUTCOMES.fetch(body["outcome"])].compact
          "#{[plain(body['slot']), body['position']].compact.join(', ')}: #{found.empty? ? 'open again' : found.join(', ')}"
        end

        # Entries of earlier versions said no more than worn or not.
        def self.finding(body)
          return { slot: body["slot"], outcome: "replace" } if body["worn"]

          symbols(body) if body["outcome"] || body["measured"]
        end
        private_class_method :finding
      end
    end
  end
end
