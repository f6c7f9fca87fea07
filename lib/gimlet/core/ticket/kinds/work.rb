# frozen_string_literal: true

require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # The work areas as they were chosen, and whether they are agreed; `positions` are { area id => positions } where not all of them are
      # worked on.
      class Work < Kind
        field "areas", { "$ref" => "#/components/schemas/Scope" }
        field "agreed", { "type" => "boolean" }
        field "pumps", { "type" => "integer", "minimum" => 1, "maximum" => 99 }, required: false
        field "positions", { "$ref" => "#/components/schemas/Positions" }, required: false

        def self.check(body, known)
          areas = known.snapshot.areas.keys
          (body["areas"] - areas).each { |id| reject("areas", "unknown_area", "“#{id}” is no work area: use #{areas.join(', ')}.") }
          (body["positions"] || {}).each { |area, positions| places(area, positions, known.snapshot.series) }
          body
        end

        # Set by hand, and changed by what was said since. What is said after the work was agreed counts too, and is named (`late`).
        def self.fold(entries, live)
          set = entries.last
          agreed = set ? set.body["agreed"] || false : false
          before = set&.body&.fetch("areas", nil) || []
          scope = since(set, live).reduce(before) { |all, item| (all | (item.areas || [])) - (item.except || []) }
          { scope: scope, agreed: agreed, at: (set&.body&.fetch("positions", nil) || {}).slice(*scope), late: agreed ? changed(before, scope) : [],
            pumps: later(entries, live, "pumps", &:pumps) || 1 }
        end

        def self.since(set, live) = live.select { |item| (item.areas || item.except) && (set.nil? || item.of > set.number) }

        # @return [Array<Array(String, Boolean)>] areas, and whether they came in or went out
        def self.changed(before, scope) = (scope - before).map { |id| [id, true] } + (before - scope).map { |id| [id, false] }
        private_class_method :since, :changed

        def self.words(body, areas)
          names = (body["areas"] || []).map { |id| [areas.fetch(id, id), *body.dig("positions", id)].join(" ") }.join(", ")
          pumps = "#{body['pumps']} pumps" if (body["pumps"] || 1) > 1
          [body["agreed"] ? "agreed" : "work", (names unless names.empty?), pumps].compact.join(": ")
        end

        def self.places(area, positions, series)
          with_it = series.select { |one| one.area(area) }
          there = with_it.flat_map { |one| one.area(area).stacks.flat_map { |id| one.stack(id).positions } }.uniq
          (positions - there).each do |place|
            reject("positions.#{area}", "unknown_position", "No pump has “#{place}” for #{plain(area)}: use #{there.join(', ')}.")
          end
        end
        private_class_method :places
      end
    end
  end
end
