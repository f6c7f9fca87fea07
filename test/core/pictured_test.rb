# frozen_string_literal: true

require_relative "../support/core"

# What the vocabulary says is seen on a picture is to be seen there: two values of a trait are two drawings.
class PicturedTest < Minitest::Test
  include DemoCatalogue

  Outside = Gimlet::Core::Outside
  PICTURES = Gimlet::Core::Identification::Pictures.new(Gimlet::Core::Outside::Drawings.new)

  def pictured = vocabulary.traits.values.select(&:pictured)
  def seen = vocabulary.traits.values.select(&:view)

  # The drawing without its labels: what the eye has.
  def drawn(variant, trait, value = nil)
    picture = PICTURES.of_trait(variant, trait, value) or return
    picture.views.first.marks.map do |mark|
      [mark.kind, mark.outline&.map do |point|
        point.map do |size|
          size.to_f.round(2)
        end
      end, mark.circle&.map do |size|
             size.to_f.round(2)
           end]
    end
  end

  # The same pump with another value, and nothing else changed.
  def with_value(variant, trait, value) = variant.with(traits: variant.traits.merge(trait.id => value))

  def values_of(trait)
    snapshot.variants.select { |one| one.series.item == "pump" }.filter_map { |one| one.trait(trait.id) }.uniq
  end

  # Counts are drawn from the faces, the rest from the trait: these change with it.
  FROM_THE_TRAIT = %w[shaft_side shaft_kind sight_glass plunger_held_by plunger_material].freeze

  def test_two_values_are_two_drawings
    pump = variant("TK4L20 from 31000")
    FROM_THE_TRAIT.each do |id|
      values = values_of(trait(id)) - ["none"]
      assert_operator values.size, :>, 1, id
      pictures = values.map { |value| drawn(with_value(pump, trait(id), value), trait(id)) }
      assert_equal values.size, pictures.uniq.size, "#{id}: #{values.join(', ')}"
    end
  end

  # A glass, a shaft, a cap that is asked for is marked where it is.
  def test_what_is_looked_for_is_marked
    seen.reject { |one| one.look.nil? || one.slot || %w[head body].include?(one.look) }.each do |trait|
      pumps = snapshot.variants.uniq(&:series).select { |pump| pump.trait(trait.id) && ![0, "none"].include?(pump.trait(trait.id)) }
      marked = pumps.map { |pump| PICTURES.of_trait(pump, trait) }.compact.count { |picture| picture.marked.intersect?([*trait.look]) }
      assert_operator marked, :>=, pumps.size * 0.75, "#{trait.id}: #{marked} of #{pumps.size}" if pumps.any?
    end
  end

  def test_every_trait_that_is_pictured_has_a_view_that_is_drawn
    sides = Outside::Pump::NAMES.keys + Outside::Detail::NAMES.keys
    seen.each { |trait| assert_includes sides, trait.view, trait.id }
    assert_empty pictured.reject(&:view).map(&:id)
    seen.each { |trait| assert_empty [*trait.look] - Outside::KINDS.keys, trait.id }
  end

  # As many coils as turns, each shape of a seal by itself.
  def test_old_parts_in_hand_are_drawn_by_their_values
    pump = variant("TK4L20 from 31000")
    turns = [3, 4, 5, 7].map { |count| drawn(pump, trait("spring_turns"), count).size }
    assert_equal [3, 4, 5, 7], turns
    shapes = trait("seal_shape").values.keys.map { |name| drawn(pump, trait("seal_shape"), name) }
    assert_equal 4, shapes.uniq.size
  end

  # Every seal of the demo that can be held in the hand says which shape it has.
  def test_seals_on_file_have_a_shape
    shapes = FIELD.hypotheses.flat_map { |one| one.traits["seal"] || [] }.map { |object| object[trait("seal_shape").axis] }
    assert_empty shapes.uniq - trait("seal_shape").values.keys
  end

  # Told "cup", a pump that has no cup among its seals falls behind one that has.
  def test_the_shape_of_a_seal_weighs
    cups = FIELD.hypotheses.each_index.select { |at| (FIELD.hypotheses[at].traits["seal"] || []).any? { |object| object[3] == "cup" } }
    refute_empty cups
    posterior = Gimlet::Core::Identification::Posterior.new(FIELD, [reading("seal_shape", "cup", observer: "counter")])
    having, lacking = FIELD.hypotheses.each_index.reject do |at|
      (FIELD.hypotheses[at].traits["seal"] || []).empty?
    end.partition { |at| cups.include?(at) }
    per = ->(places) { places.sum { |at| posterior.probability(at) / FIELD.hypotheses[at].weight } / places.size }
    assert_operator per.call(having), :>, 2 * per.call(lacking)
  end
end
