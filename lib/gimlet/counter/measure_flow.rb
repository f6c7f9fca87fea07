# frozen_string_literal: true

require_relative "../core/plain"
require_relative "../core/0_quantities/hydraulics"
require_relative "../core/0_quantities/quantity"
require_relative "../core/flow/bucket"
require_relative "../core/flow/curves"
require_relative "../core/flow/nozzle_number"
require_relative "../core/flow/nozzle_sizes"
require_relative "../core/flow/solve"
require_relative "../core/flow/too_much"
require_relative "../core/flow/words"
require_relative "../core/safety/limits"
require_relative "../core/value"
require_relative "diagnose_call"

module Gimlet
  module Counter
    # Flow and pressure from whatever is known of them, a bucket test, and what it points to.
    #
    #   MeasureFlow.new(snapshot).call("figures" => {"flow" => "15", "pressure" => "200"}).solved.worked.keys # => ["nozzle", ...]
    class MeasureFlow
      # `solved` a Core::Flow::Solved or nil, `told` what the bucket tells, `diagnosis` a Core::Diagnosis::Found or nil, `doubt` why the bucket
      # cannot be, nil where it can, `complained` whether signs were told besides, `nozzles` those that are sold near what is asked for, `curves`
      # a Core::Flow::Curves or nil, `range` what a valve regulates: { flow: [from, up_to], pressure: [from, up_to] } or nil, `pump` a Variant or
      # nil.
      Found = Core::Value.of(:solved, :bucket, :told, :diagnosis, :doubt, :complained, :nozzles, :curves, :range, :pump)
      # Figures that units are typed with.
      UNITS = { "bore_mm" => "mm", "stroke_mm" => "mm", "orifice_mm" => "mm", "pump_rpm" => "rpm", "motor_rpm" => "rpm", "flow" => "L/min",
                "pressure" => "bar", "shaft_kw" => "kW", "hydraulic_kw" => "kW" }.freeze
      # What sums are worked in.
      WORKED_IN = { "flow" => "L/min", "pressure" => "bar" }.freeze
      # Traits of a pump => figures.
      OF_PUMP = { "cylinders" => "plungers", "plunger_mm" => "bore_mm", "speed_rpm" => "pump_rpm" }.freeze

      # @param snapshot [Core::Catalogue::Snapshot]
      def initialize(snapshot)
        @snapshot = snapshot
      end

      # @param request [Hash{String=>Object}] of the OpenAPI schema MeasureFlow; figures as typed
      # @return [Found]
      # @raise [Core::InputError]
      def call(request)
        pump = request["pump"] && variant("pump", request["pump"])
        figures = (request["figures"] || {}).reject { |_, text| text.to_s.strip.empty? }.to_h { |id, text| [id, figure(id, text)] }
        bucket = request["bucket"] && bucket(request["bucket"], pump)
        words = Core::Flow::Words.new((request["units"] || {}).transform_keys(WORKED_IN))
        solved = solve(figures, pump, bucket, words)
        doubt = bucket && Core::Flow::TooMuch.new(words).call(bucket)
        told = bucket ? Core::Flow::BucketTest.new(words).call(bucket) : []
        valve = request["valve"] && variant("valve", request["valve"])
        Found.new(solved: solved, bucket: bucket, told: told, diagnosis: doubt ? nil : diagnosis(request["signs"] || [], told), doubt: doubt,
                  complained: (request["signs"] || []).any?, pump: pump, nozzles: nozzles(solved, bucket, pump, valve),
                  curves: curves(solved, bucket, pump),
                  range: valve && range(valve))
      end

      private

      def variant(field, name)
        @snapshot.variants.find { |variant| variant.id == name } || @snapshot.variants_of(name).last ||
          Core::InputError.reject(field, "unknown_model", "There is no “#{name[0, 40]}” in the catalogue.")
      end

      def figure(id, text)
        return Core::Flow::NozzleNumber.read(text) if id == "nozzle"

        unit = UNITS[id]
        return Core::Quantity.parse(text, default_unit: unit, field: id).to(unit).value.to_f if unit

        number(id, text)
      end

      # Bare numbers; a share may be told in per cent.
      def number(id, text) = Core::Quantity.bare(text.to_s.downcase.delete_suffix("hz"), field: id)

      # What was typed counts before what the catalogue says; a pump's rated flow is no measured one.
      def solve(figures, pump, bucket, words)
        known = pump ? of_pump(pump).merge(figures) : figures
        known = known.merge("flow" => bucket.flow.round(3)) if bucket && !known.key?("flow")
        known = known.merge("pump_rpm" => bucket.turns) if bucket&.turns && !figures.key?("pump_rpm")
        known = known.merge({ "nozzle" => bucket&.nozzle, "pressure" => bucket&.bar }.compact) { |_, typed, _| typed }
        Core::Flow::Solve.new(words).call(known) if known.any?
      end

      def of_pump(pump)
        told = OF_PUMP.to_h { |trait, figure| [figure, pump.trait(trait)] }.merge("stroke_mm" => pump.model.stroke_mm)
        told.select { |_, value| value.is_a?(Numeric) && value.positive? }.transform_values(&:to_f)
      end

      def bucket(told, pump)
        typed = told.reject { |_, text| text.to_s.strip.empty? }
        missing = %w[litres seconds].find { |name| typed[name].nil? }
        Core::InputError.reject("bucket.#{missing}", "missing", "A bucket test needs litres and seconds.") if missing

        Core::Flow::Bucket.new(litres: plain("litres", typed["litres"]), seconds: plain("seconds", typed["seconds"]),
                               **at_the_gun(typed), **of_the_drive(typed, pump))
      end

      def at_the_gun(typed)
        { nozzle: typed["nozzle"] && Core::Flow::NozzleNumber.read(typed["nozzle"], field: "bucket.nozzle"),
          bar: typed["pressure"] && size("pressure", typed["pressure"], "bar"), supply: flow_of(typed["supply"], "supply") }
      end

      def of_the_drive(typed, pump)
        turns, rated_turns = %w[turns rated_turns].map { |name| typed[name] && speed(name, typed[name]) }
        { rated_bar: rated(pump, "pressure_bar"), rated: flow_of(typed["rated"]) || rated(pump, "flow_l_min"),
          displaced: pump && displaced(pump, turns), turns: turns,
          rated_turns: rated_turns || rated(pump, "speed_rpm") }
      end

      def plain(name, text)
        value = Core::Quantity.bare(text, field: "bucket.#{name}")
        return value if value.between?(0.01, 100_000)

        Core::InputError.reject("bucket.#{name}", "not_a_number",
                                "#{Core::Plain.name(name).capitalize} of a bucket test are above zero, not “#{text}”.")
      end

      def speed(name, text) = size(name, text, "rpm")
      def size(name, text, unit) = Core::Quantity.parse(text, default_unit: unit, field: "bucket.#{name}").to(unit).value.to_f
      def flow_of(text, name = "rated") = text && size(name, text, "L/min")

      def rated(pump, trait)
        value = pump&.trait(trait)
        value.to_f if value.is_a?(Numeric)
      end

      # At the speed that was counted, else at the plate's.
      def displaced(pump, turns)
        told = of_pump(pump).merge({ "pump_rpm" => turns }.compact)
        return unless %w[plungers bore_mm stroke_mm pump_rpm].all? { |name| told[name] }

        Core::Hydraulics.flow_l_min(plungers: told["plungers"], bore_mm: told["bore_mm"], stroke_mm: told["stroke_mm"], speed_rpm: told["pump_rpm"])
      end

      def diagnosis(signs, told)
        measured = told.select(&:sign).to_h { |one| [one.sign, [one.there, one.gone]] }
        DiagnoseCall::DIAGNOSE.call(signs, {}, measured) if measured.any?
      end

      # What the ratings ask for, else the figures; never more than pump and valve bear.
      def nozzles(solved, bucket, pump, valve)
        known = solved ? solved.worked.transform_values(&:value).merge(solved.given) : {}
        flow = rated(pump, "flow_l_min") || bucket&.rated || known["flow"]
        bar = rated(pump, "pressure_bar") || known["pressure"]
        return [] unless flow && bar

        weakest = Core::Safety::Limits.weakest([limit("pump", pump), limit("valve", valve)].compact)
        weakest ? Core::Flow::NozzleSizes.call(flow, bar, weakest) : Core::Flow::NozzleSizes.call(flow, bar)
      end

      # What it bears, where that is on file: of a valve the top of what it regulates.
      def limit(what, variant)
        told = variant&.trait("pressure_bar")
        told = told.end if told.is_a?(Range)
        Core::Safety::Limit.new(of: "#{what} #{variant.designation}", bar: told.to_f) if told.is_a?(Numeric)
      end

      def curves(solved, bucket, pump)
        known = solved ? solved.worked.transform_values(&:value).merge(solved.given) : {}
        flow = known["flow"] || bucket&.rated || rated(pump, "flow_l_min")
        nozzle = known["nozzle"]
        flow && nozzle && Core::Flow::Curve.call(flow, nozzle, known["pressure"] || rated(pump, "pressure_bar"))
      end

      def range(valve)
        %w[flow_l_min pressure_bar].to_h { |trait| [trait, valve.trait(trait)] }
                                   .transform_values { |told| told.is_a?(Range) ? [told.begin, told.end] : nil }
                                   .then { |told| { flow: told["flow_l_min"], pressure: told["pressure_bar"], name: valve.designation } }
      end
    end
  end
end
