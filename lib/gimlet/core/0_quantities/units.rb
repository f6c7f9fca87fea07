# frozen_string_literal: true

require_relative "../../core"

module Gimlet::Core
  # Units of measure with exact factors to the first unit of each kind.
  # Source: NIST SP 811 (2008), appendix B.8 and B.9. The exact ones rest on 1 in = 25.4 mm,
  # 1 lb = 0.45359237 kg, 1 gn = 9.80665 m/s² and 1 US gal = 231 in³.
  module Units
    INCH_MM = Rational(254, 10)
    POUND_KG = Rational(45_359_237, 100_000_000)
    GRAVITY = Rational(980_665, 100_000)
    POUND_FORCE_N = POUND_KG * GRAVITY
    INCH_M = INCH_MM / 1000
    GALLON_L = 231 * (INCH_MM**3) / 1_000_000
    # UK gallon, exact since 1976: NIST SP 811, appendix B.8.
    UK_GALLON_L = Rational(454_609, 100_000)
    HORSEPOWER_KW = POUND_FORCE_N * INCH_M * 12 * 550 / 1000
    PSI_BAR = POUND_FORCE_N / (INCH_M**2) / 100_000

    # kind => { symbol => factor }
    FACTORS = {
      torque: { "N·m" => 1r, "lbf·in" => POUND_FORCE_N * INCH_M, "lbf·ft" => POUND_FORCE_N * INCH_M * 12,
                "kgf·m" => GRAVITY, "kgf·cm" => GRAVITY / 100, "daN·m" => 10r },
      pressure: { "bar" => 1r, "psi" => PSI_BAR, "MPa" => 10r, "kgf/cm²" => GRAVITY / 10 },
      power: { "kW" => 1r, "hp" => HORSEPOWER_KW, "metric hp" => GRAVITY * 75 / 1000 },
      flow: { "L/min" => 1r, "US gpm" => GALLON_L, "US gph" => GALLON_L / 60, "L/h" => Rational(1, 60),
              "m³/h" => Rational(1000, 60), "UK gpm" => UK_GALLON_L },
      length: { "mm" => 1r, "in" => INCH_MM },
      mass: { "kg" => 1r, "lb" => POUND_KG },
      speed: { "rpm" => 1r }, strokes: { "strokes/min" => 1r }, time: { "h" => 1r }, temperature: { "°C" => 1r }
    }.freeze

    # Spellings heard at a counter, matched after lower-casing and dropping spaces, dots and dashes.
    SPELLINGS = {
      "N·m" => %w[nm newtonmetre newtonmetres newtonmeter newtonmeters newtons],
      "lbf·in" => %w[lbfin lbin lbsin inlb inlbs inlbf inchpound inchpounds inchlb inchlbs poundinch poundinches],
      "lbf·ft" => %w[lbfft lbft lbsft ftlb ftlbs ftlbf footpound footpounds footlb footlbs feetpounds poundfoot poundfeet],
      "kgf·m" => %w[kgfm kgm mkg], "kgf·cm" => %w[kgfcm kgcm cmkg], "daN·m" => %w[danm],
      "kgf/cm²" => %w[kgf/cm2 kgf/cm² kg/cm2 kg/cm² kgcm2 kgfcm2], "kW" => %w[kw kilowatt kilowatts],
      "hp" => %w[hp horsepower bhp], "metric hp" => %w[metrichp ps cv],
      "bar" => %w[bar bars barg], "psi" => %w[psi lbfin2 poundspersquareinch pounds/in2], "MPa" => %w[mpa megapascal megapascals],
      "L/min" => %w[l/min lpm litres/min liters/min litre/min ltr/min l/m lmin litresaminute litersaminute litreaminute ltraminute
                    literaminute litresminute litersminute litresperminute litersperminute lperminute lpermin litrespermin literspermin
                    litresamin litersamin],
      "US gpm" => %w[usgpm gpm gallonsaminute gallonaminute gallonsperminute gallonperminute gallonspermin gal/min galperminute gallonsamin
                     gal/minute],
      "US gph" => %w[usgph gph gallonsanhour gallonanhour gallonsperhour gallonperhour gallons/hour gallons/h gal/h gal/hr gal/hour galanhour
                     galperhour gallonshour],
      "L/h" => %w[l/h lph l/hr l/hour litresanhour litersanhour litresperhour litersperhour litres/hour liters/hour litres/h litresph
                  ltr/h],
      "m³/h" => %w[m3/h m³/h cubicmetresanhour cubicmetersanhour], "UK gpm" => %w[ukgpm impgpm imperialgpm imperialgallonsaminute],
      "mm" => %w[mm mil mill mils millimetre millimetres millimeter millimeters],
      "in" => ["in", "inch", "inches", '"', "”", "″", "''"],
      "kg" => %w[kg kgs kilo kilos kilogram kilograms kilogramme kilogrammes], "lb" => %w[lb lbs pound pounds],
      "rpm" => %w[rpm r/min rev/min revs revsaminute revsperminute revolutionsperminute revolutionsaminute turnsaminute 1/min],
      "strokes/min" => %w[strokes/min strokesaminute strokesperminute strokesmin spm], "h" => %w[h hr hrs hour hours],
      "°C" => %w[°c degc degreesc celsius degreescelsius degrees°c]
    }.flat_map { |symbol, words| words.map { |word| [word, symbol] } }.to_h.freeze

    KIND_OF = FACTORS.flat_map { |kind, units| units.keys.map { |symbol| [symbol, kind] } }.to_h.freeze

    module_function

    # @param text [String] a unit as people type it, "in lb" or "N·m"
    # @return [String, nil] its symbol, nil when unknown
    def symbol(text)
      SPELLINGS[text.downcase.gsub(/[\s.·-]/, "")]
    end

    # @return [Rational] how many base units of its kind one `symbol` is
    def factor(symbol) = FACTORS.fetch(KIND_OF.fetch(symbol)).fetch(symbol)
  end
end
