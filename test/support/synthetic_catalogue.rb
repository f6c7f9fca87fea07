# frozen_string_literal: true

require_relative "../../lib/gimlet/core/1_catalogue/build"
require_relative "../../lib/gimlet/core/1_catalogue/snapshot"

# Large invented catalogues for benches and tests: families of pumps with shared frames, plunger sizes, shafts, serial
# breaks, and traits that overlap from family to family. The same seed makes the same catalogue.
class SyntheticCatalogue
  MODELS_A_SERIES = 40
  SIZES = [[12, 15, 18, 20, 22], [15, 18, 20, 24, 28], [18, 20, 22, 25, 30], [20, 25, 30, 35, 40]].freeze
  LETTERS = [*"A".."Z"].freeze
  CHOICES = {
    "cylinders" => [3, 3, 3, 2], "head_bolts" => [4, 6, 8, 8, 10, 12], "valve_caps" => [0, 6, 6, 8],
    "head_bolt_drive" => ["hex 5", "hex 6", "hex 8", "hex 10", "socket 13", "socket 17"],
    "cap_drive" => ["hex 14", "hex 17", "socket 22", "socket 24", "socket 27"],
    "cap_location" => ["top and front", "top and below", "under a top plate", "under covers", "front"],
    "plunger_material" => %w[ceramic ceramic steel], "plunger_held_by" => %w[nut bolt nothing],
    "speed_rpm" => [1000, 1450, 1450, 1750],
    "inlet_port" => ["G 3/8", "G 1/2", "G 3/4", "G 1"], "manifold_material" => %w[brass brass aluminium stainless],
    "sight_glass" => %w[rear side front none], "cover_colour" => %w[green grey blue black red bronze]
  }.freeze

  # @param models [Integer] a multiple of 40
  # @return [Gimlet::Core::Catalogue::Snapshot]
  def self.snapshot(models:, seed:)
    documents = new(Random.new(seed)).documents(models / MODELS_A_SERIES)
    Gimlet::Core::Catalogue::Snapshot.new(documents.map { |document| Gimlet::Core::Catalogue::Build.call(document) }, version: "synthetic #{seed}")
  end

  def initialize(random)
    @random = random
    @makers = Array.new(24) { |at| { "id" => "m#{at}", "name" => "Maker #{at}" } }
    @codes = {}
  end

  # @return [Array<Hash>] in the catalogue format
  def documents(count) = Array.new(count) { |at| document(at) }

  private

  def document(at)
    code = fresh_code
    sizes = pick(SIZES)
    traits = CHOICES.transform_values { |values| pick(values) }
    breaks = breaks()
    { "format" => "gimlet-catalogue", "version" => 2, "maker" => pick(@makers), "traits" => traits,
      "series" => { "id" => "s#{at}", "name" => code, "construction" => "synthetic", "manual" => "sheet #{at}" },
      "models" => models(code, sizes, traits), "serial_breaks" => breaks, **parts(code, sizes, breaks), **wet_end }
  end

  # Two frames, each with five plunger sizes and four shafts; the shaft changes no order, the frame changes
  # the tools.
  def models(code, sizes, traits)
    shafts = [20, 24, 25, 28, 30, 35].sample(2, random: @random).sort
    %w[1 2].product(%w[L R LH RH], sizes).map do |frame, shaft, size|
      stroke = 8 + (4 * frame.to_i)
      { "designation" => "#{code}#{frame}#{shaft}#{size}", "popularity" => @random.rand(1..30),
        "stroke_mm" => stroke,
        "traits" => { "frame" => frame, "plunger_mm" => size, "shaft_mm" => shafts[frame.to_i - 1], "mass_kg" => (frame.to_i * 8) + 2,
                      "shaft_side" => shaft.start_with?("L") ? "left" : "right", "shaft_kind" => shaft.end_with?("H") ? "hollow" : "solid",
                      **ratings(traits, size, stroke) } }
    end
  end

  # Flow from bore, stroke and speed; pressure so that the power of a family stays the same.
  def ratings(traits, size, stroke)
    flow = traits["cylinders"] * Math::PI / 4 * (size**2) * stroke * traits["speed_rpm"] * 0.92 / 1e6
    { "flow_l_min" => flow.round(1), "pressure_bar" => [(3000 / flow / 10).round * 10, 350].min.clamp(20, 350) }
  end

  def fresh_code
    code = Array.new(3) { pick(LETTERS) }.join + @random.rand(1..9).to_s
    @codes.key?(code) ? fresh_code : @codes[code] = code
  end

  def breaks
    return [] unless @random.rand(4).zero?

    glasses = CHOICES["sight_glass"].sample(2, random: @random)
    [{ "id" => "b", "from" => @random.rand(10..90) * 1000, "note" => "valves changed", "share_from" => @random.rand(0.3..0.7),
       "traits_before" => { "sight_glass" => glasses[0] }, "traits_from" => { "sight_glass" => glasses[1] } }]
  end

  def parts(code, sizes, breaks)
    numbers = sizes.to_h { |size| [size, "#{code}-S#{size}"] }
    { "parts" => [*numbers.map do |size, number|
      { "number" => number, "name" => "seal #{size}", "spec" => { "id_mm" => size, "od_mm" => size + 8 } }
    end,
                  { "number" => "#{code}-V1", "name" => "valve" }, { "number" => "#{code}-V2", "name" => "valve" }],
      "fits" => [*numbers.map { |size, number| { "slot" => "seal", "part" => number, "for" => { "plunger_mm" => size } } },
                 *valves(code, breaks)] }
  end

  def valves(code, breaks)
    return [{ "slot" => "valve", "part" => "#{code}-V1" }] if breaks.empty?

    [{ "slot" => "valve", "part" => "#{code}-V1", "for" => { "before" => "b" } },
     { "slot" => "valve", "part" => "#{code}-V2", "for" => { "from" => "b" } }]
  end

  def wet_end
    { "stacks" => [stack("packing", "seal", "u_seal"), stack("inlet_valve", "valve", "valve")],
      "areas" => [{ "id" => "packings", "stacks" => ["packing"], "opens" => ["manifold"], "tools" => %w[driver1 driver2] },
                  { "id" => "inlet_valves", "stacks" => ["inlet_valve"], "opens" => ["manifold"] }],
      "groups" => [{ "id" => "manifold", "name" => "manifold", "fasteners" => [], "open" => "", "close" => "" }], "fasteners" => [],
      "tools" => %w[1 2].map do |frame|
        { "id" => "driver#{frame}", "name" => "driver #{frame}", "kind" => "made", "for" => { "frame" => frame } }
      end }
  end

  def stack(id, slot, shape)
    { "id" => id, "name" => id, "positions" => %w[1 2 3], "from" => "head", "towards" => "crankcase",
      "layers" => [{ "slot" => slot, "name" => slot, "reuse" => "replace_always", "shape" => shape }] }
  end

  def pick(values) = values.sample(random: @random)
end
