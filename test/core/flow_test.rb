# frozen_string_literal: true

require_relative "../support/core"
require_relative "../../lib/gimlet/core/flow/curves"
require_relative "../../lib/gimlet/core/flow/nozzle_number"
require_relative "../../lib/gimlet/core/flow/solve"

# Flow, pressure, speed and power: any of them from the others.
class FlowTest < Minitest::Test
  Flow = Gimlet::Core::Flow
  Units = Gimlet::Core::Units
  GPM = Units.factor("US gpm").to_f
  PSI = Units.factor("psi").to_f

  def solve(**given) = Flow::Solve.new.call(given.transform_keys(&:to_s))
  def worked(id, **given) = solve(**given).worked.fetch(id).value

  # Nozzle charts, from memory: US gpm of sizes at pressures in psi, as printed to a tenth or a hundredth.
  CHART = { [4, 1000] => 2.0, [4, 2000] => 2.83, [4, 3000] => 3.46, [4, 4000] => 4.0, [5.5, 3000] => 4.76, [3, 1500] => 1.84, [8, 2500] => 6.32,
            [2.5, 500] => 0.88 }.freeze

  def test_nozzle_charts
    CHART.each { |(size, psi), gpm| assert_in_delta gpm, worked("flow", nozzle: size, pressure: psi * PSI) / GPM, 0.006, "#{size} at #{psi}" }
  end

  # Equivalent orifices of the same charts, from memory, in inches: 04 is .052, 05 .057, 06 .062.
  def test_orifices_of_the_charts
    { 4 => 0.052, 5 => 0.057, 6 => 0.062 }.each do |size, inches|
      assert_in_delta inches, worked("orifice_mm", nozzle: size, pressure: 100.0) / 25.4, 0.002
    end
  end

  # Hydraulic power: gpm · psi / 1714 in hp (any pump handbook); synchronous speeds of IEC motors; a triplex by hand.
  def test_sums_of_the_handbooks
    assert_in_delta 4 * 3000 / 1714.0 * 0.7457, worked("hydraulic_kw", flow: 4 * GPM, pressure: 3000 * PSI), 0.01
    { [2, 50] => 3000, [4, 50] => 1500, [4, 60] => 1800, [6, 50] => 1000 }.each do |(poles, mains), rpm|
      assert_in_delta rpm, worked("motor_rpm", poles: poles, mains_hz: mains, speed_share: 1), 1e-6
    end
    assert_in_delta 16.399, worked("flow", plungers: 3, bore_mm: 20, stroke_mm: 12, pump_rpm: 1450, volumetric: 1), 0.001
    assert_in_delta 950, worked("pump_rpm", motor_rpm: 1425, ratio: 1.5), 1e-9
    assert_in_delta 4.118, worked("shaft_kw", flow: 15, pressure: 140, efficiency: 0.85), 0.001
  end

  # Forward, without the solver: every figure of a machine from what is free in it.
  def machine(random)
    told = { "plungers" => random.rand(1..5), "bore_mm" => random.rand(8.0..60), "stroke_mm" => random.rand(5.0..100), "ratio" => random.rand(0.5..4),
             "poles" => [2, 4, 6].sample(random: random), "mains_hz" => [50, 60].sample(random: random), "speed_share" => random.rand(0.93..1),
             "volumetric" => random.rand(0.5..1), "nozzle" => random.rand(0.5..80), "discharge" => random.rand(0.6..1),
             "efficiency" => random.rand(0.5..0.95) }
    told["motor_rpm"] = 120.0 * told["mains_hz"] / told["poles"] * told["speed_share"]
    told["pump_rpm"] = told["motor_rpm"] / told["ratio"]
    told["flow"] = told["plungers"] * Math::PI * ((told["bore_mm"] / 2)**2) * told["stroke_mm"] * told["pump_rpm"] * told["volumetric"] / 1e6
    told["pressure"] = ((told["flow"] / GPM / told["nozzle"])**2) * 4000 * PSI
    told["orifice_mm"] = 2000 * Math.sqrt(told["flow"] / 60_000 / told["discharge"] / Math::PI / Math.sqrt(2 * told["pressure"] * 1e5 / 1000))
    told["hydraulic_kw"] = told["flow"] / 60_000 * told["pressure"] * 1e5 / 1000
    told["shaft_kw"] = told["hydraulic_kw"] / told["efficiency"]
    told if told.all? { |id, value| value.between?(Flow::FIGURES[id].least, Flow::FIGURES[id].most) }
  end

  def test_a_thousand_machines_of_which_some_figures_are_known
    random = Random.new(seed = ENV.fetch("SEED", "4711").to_i)
    found = 0
    1_000.times do
      truth = machine(random) or next
      known = truth.to_a.sample(random.rand(3..12), random: random).to_h
      solved = Flow::Solve.new.call(known)
      assert_empty solved.disagreements, "seed #{seed}"
      solved.worked.each_value do |figure|
        next unless figure.assumed.empty?

        found += 1
        assert_in_delta 1, figure.value / truth[figure.id], 1e-6, "seed #{seed}: #{figure.id} from #{known}"
      end
    end
    assert_operator found, :>, 1200
  end

  # Any unknown from any sufficient set: each equation's figures, all but one known; and two equations at once.
  def test_each_figure_from_the_others_of_its_equation
    truth = nil
    truth = machine(Random.new(rand(1_000_000))) until truth
    Flow::EQUATIONS.each do |equation|
      equation.powers.each_key do |unknown|
        assert_in_delta 1, Flow::Solve.new.call(truth.slice(*(equation.powers.keys - [unknown]))).worked[unknown].value / truth[unknown], 1e-6
      end
    end
    { %w[hydraulic_kw nozzle] => "pressure", %w[hydraulic_kw orifice_mm discharge] => "flow",
      %w[shaft_kw efficiency nozzle] => "flow" }.each do |known, unknown|
      assert_in_delta 1, Flow::Solve.new.call(truth.slice(*known)).worked[unknown].value / truth[unknown], 1e-6
    end
  end

  def test_what_cannot_all_be_true_is_said_with_its_sum
    told = solve(flow: 15, pressure: 140, nozzle: 4.5).disagreements
    assert_equal [["nozzle"], true], [told.first.equations, told.first.sum.include?("flow 15 L/min")]
    assert_in_delta 12.14, told.first.would_be["flow"], 0.01
    assert_in_delta 5.56, told.first.would_be["nozzle"], 0.01
    assert_match(/volumetric efficiency 2.44, and that lies between/,
                 solve(plungers: 3, bore_mm: 20, stroke_mm: 12, pump_rpm: 1450, flow: 40).disagreements.first.sum)
    assert_match(/efficiency of pump and drive 1.75/, solve(flow: 15, pressure: 140, shaft_kw: 2).disagreements.first.sum)
    { pump_rpm: 0, nozzle: 900, bore_mm: -3 }.each { |id, value| assert_equal id.to_s, assert_raises(Gimlet::Core::InputError) { solve(id => value) }.field }
  end

  # Synchronous speeds (IEC 60034-1): 3600 and 1800 rpm on 60 Hz, 3000 on 50. 2900 is a motor of 50 Hz.
  def test_what_no_machine_has
    { { poles: 3 } => "out_of_step", { plungers: 2.5 } => "out_of_step", { efficiency: 1.0 } => "out_of_range",
      { volumetric: 1.1 } => "out_of_range" }.each do |wrong, code|
      assert_equal code, assert_raises(Gimlet::Core::InputError) { solve(**wrong) }.code, wrong.to_s
    end
    odd = solve(motor_rpm: 2900, mains_hz: 60).disagreements.first
    assert_equal({ "mains_hz" => 50.0 }, odd.would_be)
    assert_match(/No motor turns 2900 rpm on 60 Hz: at most 3600 with 2 poles/, odd.sum)
    assert_empty solve(motor_rpm: 2900, mains_hz: 50).disagreements
    assert_empty solve(motor_rpm: 1750, mains_hz: 60).disagreements
  end

  # What nozzle and gauge do not tell apart is no contradiction: 4.5 at 200 bar takes 14.5 L/min; 15.3 are 5.5 % more, 18 are 24 %.
  def test_a_small_disagreement_is_said_as_one
    assert_match(/5 % apart: nozzle and gauge do not tell that/, solve(nozzle: 4.5, pressure: 200, flow: 15.3).disagreements.first.sum)
    assert_match(/cannot all be true/, solve(nozzle: 4.5, pressure: 200, flow: 18).disagreements.first.sum)
  end

  def test_usual_figures_are_named_where_they_are_taken
    one = solve(plungers: 3, bore_mm: 20, stroke_mm: 12, pump_rpm: 1450).worked["flow"]
    assert_equal ["volumetric"], one.assumed
    assert_empty solve(flow: 15, pressure: 140).worked["nozzle"].assumed
  end

  def test_nozzle_numbers_as_they_are_stamped
    { "045" => 4.5, "04" => 4, "4.5" => 4.5, "25045" => 4.5, "15-04" => 4, "12" => 12, "#5" => 5, 5.5 => 5.5 }.each do |text, size|
      assert_in_delta size, Flow::NozzleNumber.read(text), 1e-9, text.to_s
    end
    ["", "x", "000", "-4", "9999"].each { |text| assert_raises(Gimlet::Core::InputError, text) { Flow::NozzleNumber.read(text) } }
  end

  # Where the pump's line and the nozzle's curve meet, by the nozzle's own equation.
  def test_the_working_point_lies_on_both_curves
    curves = Flow::Curve.call(15.0, 4.5, 200)
    assert_in_delta ((15 / GPM / 4.5)**2) * 4000 * PSI, curves.working.first, 1e-6
    curves.nozzle.each { |bar, flow| assert_in_delta 4.5 * Math.sqrt(bar / PSI / 4000) * GPM, flow, 1e-9 }
  end

  # 15 L/min ÷ 3.785411784 = 3.96 US gpm, 100 bar × 14.5038 = 1450 psi (NIST SP 811, appendix B).
  def test_figures_as_the_customer_reads_them
    words = Gimlet::Core::Flow::Words.new("L/min" => "US gpm", "bar" => "psi")
    told = { 15 => "L/min", 100 => "bar", 12.5 => "mm", 4.5 => nil }.map { |figure, unit| words.figure(figure, unit) }
    assert_equal ["3.96 US gpm", "1450 psi", "12.5 mm", "4.5"], told
    own = [99.9, 100, 9.99, 10].map { |bar| Gimlet::Core::Flow::Words.new.figure(bar, "bar") }
    assert_equal ["99.9 bar", "100 bar", "9.99 bar", "10 bar"], own
  end
end
