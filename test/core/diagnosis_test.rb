# frozen_string_literal: true

require_relative "../support/core"

class DiagnosisTest < Minitest::Test
  include DemoCatalogue

  Diagnosis = Gimlet::Core::Diagnosis
  MODEL = Diagnosis::Model.new(YAML.load_file(File.expand_path("../../data/vocabulary/diagnosis.yml", __dir__)))
  DIAGNOSE = Diagnosis::Diagnose.new(MODEL)
  CASES = YAML.load_file(File.expand_path("diagnosed.yml", __dir__))

  def signs(line) = EAR.call(line).items.filter_map(&:complaint).uniq
  def found(one) = DIAGNOSE.call(signs(one["said"]), one["checked"] || {}) || flunk("nothing heard in “#{one['said']}”")

  def test_forty_calls_lead_to_what_was_behind_them
    assert_operator CASES.size, :>=, 40
    places = CASES.to_h { |example| [example["said"], found(example).suspects.map { |suspect| suspect.cause.id }.index(example["found"]) || 99] }
    assert_empty places.select { |_, place| place > 1 }, "the cause must be among the first two"
    assert_operator places.values.count(0), :>=, (CASES.size * 0.85).ceil, places.reject { |_, place| place.zero? }.inspect
  end

  def test_the_least_work_that_mends_it_and_never_a_full_rebuild_for_one_area
    CASES.each do |example|
      scope = found(example).scope
      assert_empty example["scope"] - scope, example["said"]
      assert_operator scope.size, :<=, example["scope"].size + (example["more"] ? 2 : 0), example["said"]
    end
  end

  def test_more_signs_of_a_cause_never_make_it_less_likely
    MODEL.causes.each do |cause|
      shown = MODEL.signs.values.select { |sign| sign.shows.fetch(cause.id, 0) > 0.3 }.reject(&:ask).map(&:id)
      chances = (1..shown.size).map { |count| chance(shown.first(count), cause) }
      shared = shown.flat_map { |id| MODEL.signs[id].shows.select { |_, share| share > MODEL.signs[id].shows[cause.id] }.keys }
      chances.each_cons(2) { |chance, two| assert_operator two, :>=, chance - 0.25, "#{cause.id} #{shown}" } if shared.empty?
    end
  end

  def chance(told, cause) = DIAGNOSE.call(told).suspects.find { |suspect| suspect.cause == cause }&.probability || 0

  # Noisy-or by hand: two causes at 0.6 and 0.5 with a leak of 0.02 show it in 1 - 0.98 · 0.4 · 0.5 of all cases.
  def test_the_noisy_or_by_hand
    pressure = MODEL.signs["pressure_loss"]
    both = MODEL.causes.select { |cause| %w[valves packings].include?(cause.id) }
    assert_in_delta 0.804, pressure.chance(both), 1e-9
    assert_in_delta 0.02, pressure.chance([]), 1e-9
  end

  # Bayes by hand on two causes and one sign, without a second cause at once.
  def test_the_posterior_by_hand
    rows = { "causes" => [{ "id" => "a", "areas" => ["x"], "often" => 0.2 }, { "id" => "b", "areas" => [], "often" => 0.1 }],
             "signs" => [{ "id" => "s", "anyway" => 0.0, "shows" => { "a" => 0.5, "b" => 0.8 } }] }
    suspects = Diagnosis::Diagnose.new(Diagnosis::Model.new(rows)).call(["s"]).suspects.to_h { |suspect| [suspect.cause.id, suspect.probability] }
    # Alone: 0.2 · 0.5 and 0.1 · 0.8; both at once: 0.3 · 0.2 · 0.1 · (1 - 0.5 · 0.2).
    alone_a, alone_b, both = 0.1, 0.08, 0.3 * 0.02 * 0.9
    assert_in_delta (alone_a + both) / (alone_a + alone_b + both), suspects["a"], 1e-9
    assert_in_delta (alone_b + both) / (alone_a + alone_b + both), suspects["b"], 1e-9
  end

  def test_checks_are_asked_once_and_the_pump_is_cleared_before_parts_are_bought
    first = DIAGNOSE.call(%w[pressure_loss])
    assert_includes first.first.map(&:id), "nozzle_big"
    cleared = DIAGNOSE.call(%w[pressure_loss], { "nozzle_big" => true })
    assert_equal ["nozzle", []], [cleared.suspects.first.cause.id, cleared.scope]
    refute_includes (cleared.first + cleared.next_checks.map(&:sign)).map(&:id), "nozzle_big"
    assert_nil DIAGNOSE.call([])
  end

  # Nozzle tables: size 4.5 gives 4.5 US gpm at 4000 psi, and 3.9 at 3000 (common practice, no single source; from memory).
  def test_the_sums
    assert_match(/nozzle of size 4\.5/, Diagnosis::Sums.nozzle(17.034, 275.79))
    assert_match(/nozzle of size 4\.5/, Diagnosis::Sums.nozzle(14.76, 206.84))
    assert_match(/18 or more/, Diagnosis::Sums.call(15, nil)["inlet_weak"])
    assert_empty Diagnosis::Sums.call(nil, 200)
  end
end
