# frozen_string_literal: true

require_relative "../support/core"

# Which caution is due where, over every series, area and extent, worked out here from what the documents hold: masses, shapes, ratings, metals,
# what is pumped and how hot. The limits: NIOSH lifting equation (Waters 1993), ISO 13732-1, both from memory; the rest common practice, no source.
class CautionsDueTest < Minitest::Test
  include DemoCatalogue

  Plan = Gimlet::Core::Plan
  DOCUMENT = DOCUMENTS.to_h { |document| [document["series"]["id"], document] }.freeze
  TABLE = Gimlet::Core::Materials::Table.new(YAML.load_file(File.expand_path("../../data/reference/elastomers.yml", __dir__)))

  def teardown_of(pump, areas, extent = "least") = Gimlet::Core::Teardown.of(pump, Gimlet::Core::Scope.of(areas, extent: extent))

  # @yield each pump of the demo with each of its areas alone and with all of them, at every extent
  def each_work
    snapshot.variants.uniq(&:series).each do |pump|
      ids = pump.series.areas_of(pump).map(&:id)
      [*ids.map { |id| [id] }, ids].uniq.product(Gimlet::Core::Extent::NAMES.keys).each do |areas, extent|
        teardown = teardown_of(pump, areas, extent)
        yield pump, teardown, Plan::Cautions.for(teardown, snapshot), "#{pump.id} #{areas.join(' ')} #{extent}"
      end
    end
  end

  def due(cautions, picture, words) = cautions.select { |one| one.picture == picture && one.text.include?(words) }

  def test_the_usual_ones_are_due_once_each_before_the_first_screw
    each_work do |_, _, cautions, told|
      { "pressure" => "nothing comes when the gun is opened again", "jet" => "hospital at once",
        "eyes" => "Wear eye protection" }.each do |picture, words|
        assert_equal(["open"], due(cautions, picture, words).map(&:before), "#{told}: #{words}")
      end
      assert_match(/key or plug with you.*cannot be let out, open nothing/, due(cautions, "pressure", "").first.text)
      assert_equal cautions.uniq(&:text), cautions, told
      assert_equal "part", cautions.find { |one| one.text == Plan::Cautions::DEFERRAL }.before
    end
  end

  # Above 23 kg each time it is lifted: off, and on again.
  def test_two_people_where_the_document_says_more_than_23_kg
    lifted = 0
    each_work do |pump, teardown, cautions, told|
      heavy = DOCUMENT[pump.series.id]["groups"].select { |group| group["mass_kg"].to_f > 23 && teardown.groups.any? { |one| one.id == group["id"] } }
      heavy.each do |group|
        steps = Plan::Steps.for(teardown).select { |step| step.title.start_with?(group["name"]) }.map(&:phase)
        found = due(cautions, "heavy", "The #{group['name']} ")
        assert_includes found.first.text, "weighs #{group['mass_kg']} kg: two people or a hoist"
        assert_equal %w[open close] & steps, found.map(&:before) & steps, told
        assert(found.all? { |one| one.at.start_with?(group["name"]) })
      end
      lifted += heavy.size
      assert_equal heavy.size * 2, due(cautions, "heavy", "two people").count { |one| !one.text.include?("The pump weighs") }, told
    end
    assert_operator lifted, :>, 5
  end

  def test_the_pump_itself_where_it_is_heavy
    snapshot.variants.each do |pump|
      cautions = Plan::Cautions.for(teardown_of(pump, [pump.series.areas_of(pump).first.id]), snapshot)
      mass = pump.trait("mass_kg")
      expected = mass.is_a?(Numeric) && mass > 23 ? ["part"] : []
      assert_equal expected, due(cautions, "heavy", "The pump weighs").map(&:before), pump.id
    end
  end

  # At the first step that lets a spring or clip of the document go.
  def test_what_is_sprung_is_held_at_its_step
    held = 0
    each_work do |pump, teardown, cautions, told|
      layers = DOCUMENT[pump.series.id]["stacks"].to_h { |stack| [stack["id"], stack["layers"]] }
      sprung = lambda { |stack, slots|
        layers[stack].any? do |layer|
          %w[spring clip].include?(layer["shape"]) && (slots.nil? || slots.include?(layer["slot"]))
        end
      }
      opens = teardown.groups.find { |group| group.disturbs.any? { |stack, slots| sprung.call(stack, slots) } }
      renews = teardown.areas.find { |area| area.stacks.any? { |stack| sprung.call(stack, nil) } } unless opens
      expected = opens ? [["open", Plan::Steps.title(opens, teardown)]] : [renews].compact.map { |area| ["renew", area.name] }
      assert_equal expected, due(cautions, "eyes", "under load").map { |one| [one.before, one.at] }, told
      held += expected.size
    end
    assert_operator held, :>, 30
  end

  def test_the_first_run_names_what_the_pump_bears_and_where_nobody_stands
    each_work do |pump, _, cautions, told|
      rated = pump.trait("pressure_bar")
      most = rated.is_a?(Range) ? rated.end : rated
      run = due(cautions, "jet", "First run")
      assert_equal ["finish"], run.map(&:before), told
      assert_match(/everybody away.*never with a hand.*weakest of pump, hose, gun and valve/i, run.first.text)
      assert_includes run.first.text, "(this one: #{Gimlet::Core::Plain.number(most)} bar)", told
    end
  end

  def test_soft_threads_before_they_are_closed
    each_work do |pump, teardown, cautions, told|
      soft = pump.series.item == "pump" && %w[brass aluminium plastic].include?(pump.trait("manifold_material")) && teardown.fasteners.any?
      assert_equal soft ? ["close"] : [], due(cautions, "torque", "never go over the value").map(&:before), told
    end
  end

  # What hurts is told; what does not is not; heat from 48 °C on.
  def test_what_is_pumped_and_how_hot
    work = teardown_of(variant("DK420"), ["packings"])
    { ["petrol", nil] => ["petrol, which catches fire"], ["hypochlorite", 20] => ["burns skin and eyes"], ["water", 20] => [],
      ["water", 47.9] => [], ["water", 48] => ["48 °C: let it cool"], [nil, 90] => ["90 °C: let it cool"], ["sea_water", nil] => [],
      [nil, nil] => [] }.each do |(medium, heat), words|
      service = Gimlet::Core::Materials::Service.new(table: TABLE, medium: medium, temperature_c: heat)
      told = Plan::Cautions.for(work, snapshot, service).select { |one| one.text.start_with?("It pumped") }
      assert_equal words.size, told.size, [medium, heat].inspect
      words.zip(told).each { |part, one| assert_includes(one.text, part) }
      assert_equal ["open"] * words.size, told.map(&:before)
    end
  end

  # A caution of the series stands where what it speaks of is opened or worked on, or where it says.
  def test_cautions_of_a_series_stand_where_they_are_of_use
    { ["MGL40", ["packings"], "spring-loaded"] => %w[open manifold], ["TK4R20", ["inlet_valves"], "Swapped"] => ["renew", "inlet valves"],
      ["UX", ["rod_seals"], "safety pages"] => ["open", nil] }.each do |(id, areas, words), (before, at)|
      pump = snapshot.variants.find { |one| one.id.start_with?(id) }
      found = Plan::Cautions.for(teardown_of(pump, areas), snapshot).find { |one| one.text.include?(words) }
      assert_equal before, found.before
      at ? assert_includes(found.at, at) : assert_nil(found.at)
    end
  end
end
