# frozen_string_literal: true

require_relative "../1_catalogue/in_hand"
require_relative "../1_catalogue/snapshot"
require_relative "../plain"
require_relative "../value"
require_relative "facts"

module Gimlet::Core
  module Drafting
    # One thing that orders would say otherwise: `kind` is of Facts::KINDS, "pump" or "trait"; `what` it is about; `was` and `is`, nil where there
    # was, or is, nothing; the `pumps` and `areas` that it holds for; `danger`, why it can hurt, nil where it cannot.
    Effect = Value.of(:kind, :what, :was, :is, :pumps, :areas, :danger) do
      # @return [String] what it is about, as the counter says it
      def about = WORDS.fetch(kind, kind)
    end

    # Kinds whose own word is none of the counter's.
    WORDS = { "way" => "which way round", "fate" => "what becomes of", "serves" => "numbers that serve for", "order" => "bolts and their order",
              "used" => "used up", "step" => "the work", "kept" => "look over or put back", "loose" => "count out", "drawn" => "drawing of",
              "read" => "read against the sheet", "listed" => "order of the lines", "trait" => "recognised by" }.freeze

    # What a change of a series would do to orders: every sort of pump by every area, before and after.
    #
    #   Effects.of(before, after).first.danger # => "a torque goes up"
    class Effects
      # The same in another order.
      LISTED = %w[listed order].freeze

      # @param before [Catalogue::Series, nil] nil for one that is new
      # @param after [Catalogue::Series, nil] nil for one that is taken out
      # @return [Array<Effect>] the dangerous ones first
      def self.of(before, after) = new(before, after).call

      def initialize(before, after)
        @before, @after = [before, after].zip(%w[before after]).map { |series, version| Catalogue::Snapshot.new([series].compact, version: version) }
      end

      def call = (pumps + traits + orders).sort_by { |effect| [effect.danger ? 0 : 1, rank(effect.kind), effect.what] }

      private

      def rank(kind) = Facts::KINDS.index(kind) || -1

      def pumps
        was, is = [@before, @after].map { |snapshot| snapshot.variants.map(&:id) }
        gone = (was - is).map { |id| effect("pump", id, ["on file", nil], [id], [], danger: "a pump is gone") }
        gone + (is - was).map { |id| effect("pump", id, [nil, "on file"], [id], []) }
      end

      # By what pumps are told apart.
      def traits
        changes = both.flat_map do |one, other|
          was, is = told(one, @before), told(other, @after)
          (was.keys | is.keys).reject { |id| was[id] == is[id] }.map { |id| [id, was[id]&.to_s, is[id]&.to_s, one.id] }
        end
        changes.group_by { |row| row.first(3) }.map { |(id, was, is), rows| effect("trait", id, [was, is], rows.map(&:last), []) }
      end

      # Traits, what stands on its plate, how often it is met, and what its old parts tell.
      def told(variant, snapshot)
        in_hand = (@in_hand ||= {})[snapshot.version] ||= Catalogue::InHand.new(snapshot)
        variant.traits.merge("plate" => variant.spellings, "popularity" => variant.model.popularity * variant.share,
                             **in_hand.of(variant).transform_keys { |slot| "old #{Plain.name(slot)}" })
      end

      def both = @both ||= @before.variants.filter_map { |one| (other = @after.variants.find { |variant| variant.id == one.id }) && [one, other] }

      def orders
        changes = both.flat_map { |one, other| of_pump(one, other) }
        changes.group_by { |row| row.first(4) }.map do |(kind, what, was, is), rows|
          effect(kind, what, [was, is], rows.map { |row| row[4] }.uniq, rows.map(&:last).uniq, danger: Danger.of(kind, was, is))
        end
      end

      def of_pump(one, other)
        areas = [one, other].flat_map { |variant| variant.series.areas_of(variant).map(&:id) }.uniq
        areas.flat_map do |area|
          was, is = facts(one, area, @before), facts(other, area, @after)
          changed = (was.keys | is.keys).reject { |key| was[key] == is[key] }
          changed = [LISTED] if changed.empty? && was.keys != is.keys
          changed.map { |key| [*key, was[key], is[key], one.id, area] }
        end
      end

      # Pumps whose conditions agree have the same facts, but for the crank and for what they look like.
      def facts(variant, area, snapshot)
        return {} unless variant.series.areas_of(variant).any? { |one| one.id == area }

        keys = snapshot.series.first.condition_keys
        model = variant.model
        alike = [variant.traits.values_at(*keys, *Plan::Cautions::TRAITS), variant.sides, model.stroke_mm, model.rod_mm]
        once([snapshot.version, area, *alike]) { Facts.of(variant, area, snapshot) }.merge(once([snapshot.version, variant.id]) do
          Facts.outside(variant)
        end)
      end

      def once(key) = (@once ||= {})[key] ||= yield

      def effect(kind, what, change, pumps, areas, danger: nil)
        Effect.new(kind: kind, what: what, was: change.first, is: change.last, pumps: pumps, areas: areas, danger: danger)
      end
    end

    # Why a change can hurt.
    module Danger
      FIGURE = /(\d+(?:\.\d+)?) N·m/

      module_function

      # @param kind [String]
      # @return [String, nil]
      def of(kind, was, now)
        case kind
        when "torque" then torque(was, now)
        when "way" then "a direction is turned" if was && now && opening(was) != opening(now)
        when "fate" then fate(was, now)
        when "renewed" then renewed(was, now)
        when "caution" then "a caution is gone" if now.nil?
        when "crank" then "the crank stands otherwise"
        end
      end

      def torque(was, now)
        return "a tightening is gone" if now.nil?
        return if was.nil?

        before, after = [was, now].map { |text| text.scan(FIGURE).flatten.map(&:to_f).max }
        return "a tightening is another" if before.nil? || after.nil?
        return if before == after

        after > before ? "a torque goes up" : "a torque goes down"
      end

      def opening(words) = words[/\Aopens to [^;]+/]
      def fate(was, now) = ("a piece is no longer renewed" if was.to_s.include?("renew") && !now.to_s.include?("renew"))

      def renewed(was, now)
        return "a part is no longer renewed" if now.nil?

        "a part is renewed less often" if was && now.to_i < was.to_i
      end
    end
  end
end
