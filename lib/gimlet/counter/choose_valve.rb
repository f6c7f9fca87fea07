# frozen_string_literal: true

require_relative "../core/0_quantities/celsius"
require_relative "../core/0_quantities/quantity"
require_relative "../core/valves/valve_search"
require_relative "../core/value"

module Gimlet
  module Counter
    # Which valve serves a pump, or takes another's place.
    #
    #   ChooseValve.new(snapshot).call("flow" => "15 L/min", "pressure" => "140 bar").choices.first.verdict # => "exact"
    class ChooseValve
      Found = Core::Value.of(:need, :choices, :pump)

      # @param snapshot [Core::Catalogue::Snapshot]
      def initialize(snapshot)
        @snapshot = snapshot
      end

      # @param request [Hash{String=>Object}] of the OpenAPI schema ChooseValve; figures as typed
      # @return [Found]
      # @raise [Core::InputError]
      def call(request)
        told = request.reject { |_, text| text.to_s.strip.empty? }
        pump = told["pump"] && named("pump", told["pump"])
        instead_of = told["instead_of"] && named("instead_of", told["instead_of"])
        need = need(told, pump)
        Found.new(need: need, choices: Core::Valves::ValveSearch.new(@snapshot.variants).call(need, instead_of), pump: pump)
      end

      private

      def named(field, text)
        @snapshot.variants_of(text.strip).last || @snapshot.variants.find { |variant| variant.id == text.strip } ||
          Core::InputError.reject(field, "unknown_model", "There is no “#{text.strip[0, 40]}” in the catalogue.")
      end

      # What was typed counts before what the pump's plate says.
      def need(told, pump)
        Core::Valves::Need.new(flow: size(told, "flow", "L/min") || rated(pump, "flow_l_min"),
                               pressure: size(told, "pressure", "bar") || rated(pump, "pressure_bar"),
                               temperature_c: temperature(told["temperature"]),
                               **told.slice("inlet_port", "outlet_port", "on_shut").transform_keys(&:to_sym))
      end

      def size(told, name, unit) = told[name] && Core::Quantity.parse(told[name], default_unit: unit, field: name).to(unit).value.to_f

      def rated(pump, trait)
        value = pump&.trait(trait)
        value.to_f if value.is_a?(Numeric)
      end

      # Degrees as people say them; Fahrenheit where it is said.
      def temperature(text)
        return unless text

        number, unit = text.to_s.strip.match(/\A(-?\d+(?:[.,]\d+)?)\s*(?:°|deg(?:rees)?)?\s*([cf])?\z/i)&.captures
        number || Core::InputError.reject("temperature", "not_a_number", "“#{text.to_s[0, 20]}” is no temperature: type it as 60 or 140 F.")
        Core::Celsius.of(number.tr(",", ".").to_f, unit)
      end
    end
  end
end
