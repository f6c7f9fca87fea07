# frozen_string_literal: true

require_relative "../verdicts"
require_relative "../plain"
require_relative "../input_error"
require_relative "../value"

module Gimlet::Core
  # Unloaders and regulating valves: which of them serves a pump.
  module Valves
    # What a valve must do. Any of it may be nil. Flow in L/min, pressure in bar, temperature in °C; ports as threads are written.
    Need = Value.of(:flow, :pressure, :inlet_port, :outlet_port, :temperature_c, :on_shut)
    # One thing that was looked at: `verdict` is "exact", "fits" (with what is said) or "no".
    Point = Value.of(:name, :verdict, :says)
    # A valve with how it answers: `differs` is what is otherwise than on the valve whose place it would take.
    Choice = Value.of(:variant, :verdict, :points, :differs)

    ON_SHUT = { "unloads" => "unloads: the pump runs on at little pressure",
                "bypasses" => "bypasses at full pressure: stop the pump soon" }.freeze
    WORDS = { "exact" => "serves", "fits" => "fits, with a difference", "no" => "does not serve" }.freeze
    # A valve set at the very end of its range has nothing left to be set by. Common practice, no source.
    END_OF_RANGE = 0.95
    # Traits, and what a valve bears beside them, that are held against each other.
    COMPARED = { "inlet_port" => "inlet", "outlet_port" => "outlet", "spring_mark" => "setting spring", "cap_drive" => "cap",
                 "mass_kg" => "mass, kg",
                 "flow_l_min" => "flow, L/min", "pressure_bar" => "pressure, bar" }.freeze
    SERVICE = { "temperature_c" => "water at most, °C", "on_shut" => "when the gun shuts", "bypass_port" => "bypass" }.freeze

    # Which valves serve a need, the best first.
    class ValveSearch
      # @param variants [Array<Catalogue::Variant>] of a catalogue; pumps among them are left out
      def initialize(variants)
        @valves = variants.select { |variant| variant.series.item == "valve" }
      end

      # @param need [Need]
      # @param instead_of [Catalogue::Variant, nil] a valve whose place is to be taken
      # @return [Array<Choice>]
      # @raise [InputError] where nothing is asked for
      def call(need, instead_of = nil)
        asked = need.to_h.compact.any? || instead_of
        asked || InputError.reject("flow", "too_few", "Say the flow, the pressure, the ports, or the valve to be replaced.")
        wanted = instead_of ? of_valve(instead_of, need) : need
        choices = @valves.map { |valve| choice(valve, wanted, instead_of) }
        choices.sort_by { |choice| [Verdicts::ALL.index(choice.verdict), choice.variant.equal?(instead_of) ? 0 : 1, slack(choice, wanted)] }
      end

      private

      # What takes a valve's place fits the same pipes and does the same; the pump's own figures come first.
      def of_valve(valve, need)
        pipes = { inlet_port: valve.trait("inlet_port"), outlet_port: valve.trait("outlet_port"), on_shut: service(valve)["on_shut"] }
        Need.new(**pipes, **need.to_h.compact)
      end

      def choice(valve, need, instead_of)
        points = [*unsaid(valve, need, instead_of), flow(valve, need), pressure(valve, need), *ports(valve, need), temperature(valve, need),
                  on_shut(valve, need)].compact
        Choice.new(variant: valve, verdict: Verdicts.worst(points.map(&:verdict)) || "exact", points: points,
                   differs: instead_of && !valve.equal?(instead_of) ? differences(instead_of, valve) : [])
      end

      def service(valve) = valve.model.service || {}

      # Without the pump's flow and pressure only an equal range is sure to do.
      def unsaid(valve, need, instead_of)
        ranges = { "flow_l_min" => need.flow, "pressure_bar" => need.pressure }.reject { |_, told| told || instead_of.nil? }.keys
        ranges.filter_map do |trait|
          old, own = instead_of.trait(trait), valve.trait(trait)
          name = COMPARED[trait]
          point(name, "fits", "it serves #{in_words(own)} (#{name}), the old one #{in_words(old)}: say what the pump gives") unless own == old
        end
      end

      def flow(valve, need)
        range = need.flow && valve.trait("flow_l_min") or return
        inside = range.cover?(need.flow)
        point("flow", inside ? "exact" : "no",
              "#{Plain.number(need.flow, 1)} L/min #{inside ? 'lies' : 'does not lie'} within #{span(range)} L/min")
      end

      def pressure(valve, need)
        range = need.pressure && valve.trait("pressure_bar") or return
        wanted, within = "#{Plain.number(need.pressure, 1)} bar", "#{span(range)} bar"
        return point("pressure", "no", "#{wanted} is not within #{within}") unless range.cover?(need.pressure)
        return point("pressure", "exact", "#{wanted} lies within #{within}") if need.pressure <= range.end * END_OF_RANGE

        point("pressure", "fits", "#{wanted} is at the end of #{within}: little is left to set it by")
      end

      def ports(valve, need)
        { "inlet_port" => need.inlet_port, "outlet_port" => need.outlet_port }.compact.filter_map do |trait, wanted|
          has = valve.trait(trait) or next
          same = thread(has) == thread(wanted)
          point(COMPARED[trait], same ? "exact" : "fits", "#{COMPARED[trait]} #{same ? has : "#{has}, not #{wanted}: an adapter is needed"}")
        end
      end

      def temperature(valve, need)
        most = need.temperature_c && service(valve)["temperature_c"] or return
        point("temperature", need.temperature_c <= most ? "exact" : "no",
              "#{Plain.number(need.temperature_c, 1)} °C, and it bears #{Plain.number(most, 1)} °C")
      end

      def on_shut(valve, need)
        does = need.on_shut && service(valve)["on_shut"] or return
        point(SERVICE["on_shut"], does == need.on_shut ? "exact" : "fits", "it #{ON_SHUT.fetch(does)}")
      end

      def differences(old, valve)
        of_traits = COMPARED.map { |trait, name| [name, in_words(old.trait(trait)), in_words(valve.trait(trait))] }
        of_service = SERVICE.map { |key, name| [name, service(old)[key], service(valve)[key]] }
        other = (of_traits + of_service).reject { |_, was, is| was == is }
        other.map { |name, was, is| "#{name}: #{is || 'not on file'} instead of #{was || 'not on file'}" }
      end

      def point(name, verdict, says) = Point.new(name: name, verdict: verdict, says: says)

      # The pressure in the middle of the range is the easiest to set.
      def slack(choice, need)
        range = need.pressure && choice.variant.trait("pressure_bar")
        range ? (need.pressure - ((range.begin + range.end) / 2.0)).abs / (range.end - range.begin) : 0
      end

      def thread(text) = text.to_s.downcase.tr("×", "x").gsub(/[\s"”]/, "")
      def in_words(value) = value.is_a?(Range) ? span(value) : value
      def span(range) = "#{Plain.number(range.begin, 1)} to #{Plain.number(range.end, 1)}"
    end
  end
end
