# frozen_string_literal: true

require_relative "../support/core"

# Nothing is advised above what a part or a tool bears: every pump of the demo, over wrenches, marks and extensions.
class BorneTest < Minitest::Test
  include DemoCatalogue

  Core = Gimlet::Core
  Tightening = Core::Tightening
  # Lever, extension, angle. The setting by hand: T · L / (L + E · cos φ), ASME B107.300 (from memory).
  EXTENSIONS = [nil, [400, 60, 0], [300, 150, 180], [250, 240, 180], [300, 100, 90]].freeze
  OWN = [nil, [10, 60, "N·m", 5], [20, 110, "N·m", nil], [40, 200, "lbf·in", 10], [5, 25, "lbf·ft", 2]].freeze

  # Each group of fasteners of a whole rebuild.
  def instructions(teardown)
    teardown.fasteners.flat_map { |fastener| Tightening::Instruct.call(fastener, teardown.variant, unit: "N·m") }.select { |one| one.tightening.torque }
  end

  # The wrench that is named reaches what it is set to, and what arrives at the bolt is what the sheet says.
  def test_no_wrench_is_set_beyond_its_scale
    checked = 0
    snapshot.variants.uniq(&:series).each do |pump|
      teardown = Core::Teardown.of(pump, pump.series.areas_of(pump).map(&:id))
      all = instructions(teardown)
      EXTENSIONS.product(OWN).each do |sizes, range|
        extension = sizes && Tightening::Extension.of(*sizes)
        own = [range && Core::Tools::Wrench.customer(*range)].compact
        choice = Core::Tools::ToolList.new(teardown, all, own: own, extension: extension).choice
        checked += all.count { |one| within?(one, choice, extension, sizes, pump) }
      end
    end
    assert_operator checked, :>, 500
  end

  def within?(one, choice, extension, sizes, pump)
    along = sizes ? sizes[1] * Math.cos(sizes[2] * Math::PI / 180) : 0
    at_wrench = one.settings_nm(extension).last
    assert_in_delta one.targets_nm.last * (sizes ? sizes[0] / (sizes[0] + along) : 1), at_wrench, 1e-6
    wrench = choice.for(at_wrench)
    assert_equal wrench.nil?, choice.missing.include?(at_wrench)
    setting = wrench && Tightening::Setting.for(one.tightening, wrench, "N·m", extension, soft: pump.soft?).quantity
    assert_operator setting.to("N·m").value, :<=, wrench.to_nm, "#{pump.id} #{one.name} #{sizes}" if setting
    !setting.nil?
  end

  # At the end of the scale the mark below is taken, though the next is nearer.
  def test_a_mark_beyond_the_scale_is_none
    near = ->(value, most) { Tightening::Setting.of(Core::Quantity.of(value, "N·m"), "N·m", tolerance: 1/10r, mark: 5, most_nm: most).quantity.value }
    assert_equal [50, 45, 50], [near.call(48, 50), near.call(48, 49), near.call(48, nil)]
  end

  # Pressures that a card tells for start and seats, with the first run's, are within what is on the plate.
  def test_no_pressure_of_a_card_is_above_the_rating
    told = 0
    snapshot.variants.each do |pump|
      rated = pump.trait("pressure_bar")
      most = rated.is_a?(Range) ? rated.end : rated
      work = Core::Teardown.of(pump, pump.series.areas_of(pump).map(&:id))
      text = [*Core::Plan::Steps.for(work).flat_map(&:text), *Core::Plan::Cautions.for(work, snapshot).map(&:text)]
      bars = text.flat_map { |one| one.scan(/([\d.]+) bar/).flatten.map(&:to_f) }
      assert_empty(bars.select { |bar| bar > most }, pump.id)
      told += bars.size
    end
    assert_operator told, :>, snapshot.variants.size
  end
end
