# frozen_string_literal: true

require_relative "../value"
require_relative "hazards"

module Gimlet::Core
  module Safety
    # A danger that stands until it is lifted. `since` is the entry that told of it, with `words`, `at` and `who`; `sure` false while it is only
    # asked about; `told` { who:, at:, words: } what the caller was told since, nil while nobody has.
    Stop = Value.of(:hazard, :since, :words, :at, :who, :sure, :told)

    # What stands on a ticket, the gravest first. A line that is struck out takes nothing back: what was told of is lifted by somebody's word.
    #
    #   Stops.of(ticket.lines, hazards).map { |stop| stop.hazard.id } # => ["injected", "hose"]
    module Stops
      module_function

      # @param lines [Array<Ticket::Line>]
      # @param hazards [Hazards]
      # @return [Array<Stop>] those that are sure before those that are asked about
      def of(lines, hazards)
        heard = lines.reduce({}) { |standing, line| after(standing, line, hazards) }
        in_order(heard.values, hazards).map { |stop| stop.with(told: told(lines, stop)) }
      end

      def after(standing, line, hazards)
        rows(line, hazards).each do |row|
          hazard = hazards.all[row["id"]] or next
          known = standing[hazard.id]
          standing = standing.merge(hazard.id => stop(hazard, line, row)) if known.nil? || (row["sure"] && !known.sure)
        end
        line.kind == "hazard_lifted" ? standing.except(line.body["hazard"]) : standing
      end

      # @return [Array<Hash>] dangers that a line tells of: heard in it, raised by hand, or found by a check of the diagnosis
      def rows(line, hazards)
        case line.kind
        when "hazard_raised" then [{ "id" => line.body["hazard"], "sure" => true }]
        when "checked" then line.body["result"] == "yes" ? [{ "id" => hazards.of_sign(line.body["check"])&.id, "sure" => true }] : []
        else line.body["hazards"] || []
        end
      end

      # With the words of the line that told it.
      def stop(hazard, line, row)
        words = row["to"] ? line.words[row["from"]...row["to"]] : line.words
        Stop.new(hazard: hazard, since: line.number, words: words, at: line.at, who: line.who, sure: row["sure"], told: nil)
      end

      def in_order(stops, hazards) = stops.partition(&:sure).flat_map { |some| some.sort_by { |stop| hazards.all.keys.index(stop.hazard.id) } }

      # What the caller was told of it since, last.
      def told(lines, stop)
        line = lines.reverse.find { |one| one.kind == "stop_told" && one.body["hazard"] == stop.hazard.id && one.number > stop.since }
        line && { who: line.who, at: line.at, words: line.body["words"] }
      end
    end
  end
end
