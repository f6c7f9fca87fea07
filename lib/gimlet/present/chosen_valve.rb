# frozen_string_literal: true

require_relative "../core/1_catalogue/condition"
require_relative "../core/valves/valve_search"

module Gimlet
  module Present
    # Valves that serve, each with what was looked at, its kits and what it costs.
    module ChosenValve
      module_function

      # @param found [Counter::ChooseValve::Found]
      # @param stock [Hash{String=>Core::KitPlan::Stock}]
      # @return [Hash] of the OpenAPI schema ChosenValve
      def call(found, stock)
        rows = found.choices.map { |one| choice(one, stock) }
        { verdict: verdict(rows.first), need: found.need.to_h.compact.map { |name, value| { name: name.to_s, value: value.to_s } }, choices: rows }
      end

      def verdict(best)
        return "No valve of the catalogue serves." if best.nil? || best[:verdict] == "no"

        "#{best[:model]} serves#{', with what is said below' if best[:verdict] == 'fits'}."
      end

      def choice(choice, stock)
        valve = choice.variant
        { model: valve.designation, maker: valve.series.maker.name, series: valve.series.name, verdict: choice.verdict,
          words: Core::Valves::WORDS.fetch(choice.verdict), differs: choice.differs, points: choice.points.map(&:to_h),
          **offered((valve.model.service || {})["sold_as"], stock),
          kits: kits_of(valve).map { |kit| { name: kit.name, **offered(kit.number, stock) } } }
      end

      # Those of its own size.
      def kits_of(valve) = valve.series.kits.select { |kit| Core::Catalogue::Condition.met?(kit.condition, valve) }

      def offered(number, stock)
        { number: number, price_cents: stock[number]&.price_cents, on_hand: stock[number]&.on_hand || 0, promised: stock[number]&.reserved || 0 }
      end
    end
  end
end
