# frozen_string_literal: true

require_relative "../4_teardown/extent"
require_relative "../value"
require_relative "entry"

module Gimlet
  module Core
    module Ticket
      # Something that an entry says: readings (fields for Readings::Reading.from), work, a complaint, a wish ... `of` is the entry's number
      # and `item` its place in it.
      Item = Value.of(:of, :item, :readings, :areas, :complaint, :wish, :pumps, :unit, :measure, :from, :to, :struck)
      # One line of the call as it went.
      Line = Value.of(:number, :kind, :at, :who, :words, :items, :unheard, :body)

      # A ticket as its entries leave it.
      #
      #   ticket = Ticket::Folded.of(entries)
      #   ticket.readings # => the readings that count, in the order they were taken
      Folded = Value.of(:lines, :channel, :customer_id, :scope, :agreed, :pumps, :findings, :chosen, :settled, :policy, :unit, :order_id,
                        :last, :at, :extent, :checked, :had, :fixed, :also, :owned, :extension, :handed, :entered, :state, :amends) do
        def items = lines.flat_map(&:items)
        def live = items.reject(&:struck)

        # @return [Array<Hash>] fields for Readings::Reading.from
        def readings = live.flat_map { |one| one.readings || [] }
        def complaints = live.filter_map(&:complaint).uniq

        # @return [Hash{String=>Object}] what is pumped and how hot, as far as it was said
        def service = live.filter_map { |one| one.measure&.fetch("measure") if one.measure&.fetch("what") == "service" }.reduce({}, :merge)
        def wishes = live.filter_map(&:wish).uniq
      end

      # Folding entries. Nothing is ever changed in place: striking out and bringing back are entries too.
      class Folded
        # @param entries [Array<Entry>] in order of their numbers
        # @return [Folded]
        def self.of(entries) = Fold.new(entries).call
      end

      # The fold itself.
      class Fold
        STATES = { "ordered" => "ordered", "closed" => "closed" }.freeze

        def initialize(entries)
          @entries = entries
          @struck = struck
        end

        def call
          lines = @entries.map { |entry| line(entry) }
          live = lines.flat_map(&:items).reject(&:struck)
          Folded.new(lines: lines, channel: last("channel", "channel") || "phone", customer_id: last("customer", "customer_id"),
                     chosen: last("pump", "id"), policy: last("plan", "policy") || "on_shelf", **state,
                     unit: later(live, "unit", &:unit) || "N·m", pumps: later(live, "work", "pumps", &:pumps) || 1,
                     findings: findings, settled: settled, extent: last("extent", "extent") || Extent::USUAL,
                     checked: latest("checked", "check") do |body|
                       body["result"]
                     end, fixed: fixed, also: also, had: had, last: @entries.last&.number || 0, **bench, **work(live))
        end

        private

        def bench = { owned: owned, extension: extension, handed: handed, entered: entered }

        # What became of it: its order, or the order that is being amended.
        def state
          order = last("ordered", "order_id")
          kind = @entries.reverse.map(&:kind).find { |one| %w[ordered closed reopened].include?(one) }
          { state: STATES.fetch(kind, "open"), order_id: kind == "ordered" ? order : nil, amends: kind == "ordered" ? nil : order }
        end

        def of_kind(kind) = @entries.select { |entry| entry.kind == kind }
        def last(kind, key) = of_kind(kind).last&.body&.fetch(key, nil)

        # What was heard or set, whichever came later.
        def later(live, kind, key = kind, &)
          heard = live.select(&).last
          set = of_kind(kind).reject { |entry| entry.body[key].nil? }.last
          return heard && yield(heard) if set.nil? || (heard && heard.of > set.number)

          set.body[key]
        end

        # Set by hand, and what was asked for since; once agreed, words add nothing.
        def work(live)
          set = of_kind("work").last
          agreed = set ? set.body["agreed"] || false : false
          heard = live.select { |one| one.areas && (set.nil? || (one.of > set.number && !agreed)) }.flat_map(&:areas)
          { scope: ((set&.body&.fetch("areas", nil) || []) + heard).uniq, agreed: agreed, at: set&.body&.fetch("positions", nil) || {} }
        end

        # @return [Array<Hash>] fields for Finding.from
        def findings
          latest("inspected", "slot", "position") { |body| finding(body) }.values
        end

        # Entries of earlier versions said no more than worn or not.
        def finding(body)
          return { slot: body["slot"], outcome: "replace" } if body["worn"]

          fields(body) if body["outcome"] || body["measured"]
        end

        def had = latest("had", "number") { |body| body["quantity"] if body["quantity"].positive? }

        # @return [Hash{String=>Hash}] tool => range of a torque wrench, or nothing; nil for one that the customer has not
        def owned
          of_kind("owns").to_h { |entry| [entry.body["tool"], (entry.body.slice("from", "to", "unit", "mark") if entry.body["has"])] }
        end

        # @return [Hash, nil] lever_mm and extension_mm
        def extension
          body = of_kind("extension").last&.body
          { angle_deg: 0, **fields(body.slice("lever_mm", "extension_mm", "angle_deg").compact) } if body && body["lever_mm"]
        end

        # @return [Hash{String=>String}] tool => "lent" or "sold"
        def handed = latest("handed", "tool") { |body| body["how"] }

        # @return [Hash{String=>Hash}] fastener => pump, value, unit and source
        def entered = latest("entered", "fastener") { |body| fields(body.slice("pump", "value", "unit", "source")) if body["value"] }

        def fixed = latest("fixed", "number") { |body| fields(body) if body["quantity"] }.values

        def also = latest("also", "number") { |body| fields(body) if body["quantity"] }.values

        # The last word on each thing, those taken back left out.
        # @return [Hash]
        def latest(kind, *keys)
          of_kind(kind).to_h { |entry| [keys.one? ? entry.body[keys.first] : entry.body.values_at(*keys), yield(entry.body)] }.compact
        end

        def settled = of_kind("settled").to_h { |entry| entry.body.values_at("doubt", "reason") }.compact

        # { [entry number, item] => true }; bringing back takes it out again.
        def struck
          @entries.each_with_object({}) do |entry, all|
            key = entry.body.values_at("of", "item")
            all[key] = true if entry.kind == "struck"
            [key, [key.first, nil]].each { |one| all.delete(one) } if entry.kind == "restored"
          end
        end

        def line(entry)
          items = items(entry).each_with_index.map do |fields, at|
            Item.new(**fields, of: entry.number, item: at, struck: @struck.key?([entry.number, at]) || @struck.key?([entry.number, nil]))
          end
          Line.new(number: entry.number, kind: entry.kind, at: entry.at, who: entry.who, words: entry.body["words"], items: items,
                   unheard: unheard(entry), body: entry.body)
        end

        # Words that were taken up since are heard.
        def unheard(entry)
          taken = of_kind("taken_up").select { |one| one.body["of"] == entry.number }.map { |one| one.body["words"] }
          (entry.body.dig("heard", "unheard") || []).reject { |one| taken.include?(one["words"]) }
        end

        def items(entry)
          case entry.kind
          when "said" then entry.body.dig("heard", "items").map { |one| item(one) }
          when "answered" then [{ readings: [fields(entry.body["reading"])] }]
          when "not_sure" then [{ readings: [{ trait: entry.body["trait"], unknown: true }] }]
          when "measured" then [{ measure: entry.body.slice("what", "measure"), readings: entry.body["readings"].map { |one| fields(one) } }]
          when "taken_up" then [{ readings: entry.body["reading"] && [fields(entry.body["reading"])], complaint: entry.body["complaint"] }]
          else []
          end
        end

        def item(one)
          kept = one.transform_keys(&:to_sym).slice(:areas, :complaint, :wish, :pumps, :unit, :measure, :from, :to)
          kept.merge(readings: one["readings"]&.map { |reading| fields(reading) })
        end

        def fields(reading) = reading.transform_keys(&:to_sym)
      end
      private_constant :Fold
    end
  end
end
