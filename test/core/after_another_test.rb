# frozen_string_literal: true

require_relative "../support/core"

# What is made from the catalogue before is the same as what is made from nothing, whatever was edited: the oracle is the long way.
class AfterAnotherTest < Minitest::Test
  include DemoCatalogue

  Core = Gimlet::Core
  SEED = Integer(ENV.fetch("AFTER_SEED", Random.new_seed % 100_000))
  # Documents in, a document changed in place.
  EDITS = {
    "a name" => ->(one, _) { one["series"]["name"] += "x" },
    "another id" => ->(one, random) { one["series"]["id"] = "other-#{random.rand(1000)}" },
    "a trait" => ->(one, random) { one["models"].sample(random: random)["traits"]["plunger_mm"] = 19 + random.rand(9) },
    "another popularity" => ->(one, random) { one["models"].sample(random: random)["popularity"] = 1 + random.rand(50) },
    "a model more" => ->(one, random) { one["models"] << one["models"].sample(random: random).merge("designation" => "ZQ#{random.rand(1000)}") },
    "a model less" => ->(one, random) { one["models"].delete_at(random.rand(one["models"].size)) if one["models"].size > 1 },
    "another size of a part" => ->(one, random) { (one["parts"].sample(random: random)["spec"] ||= {})["id_mm"] = 7 + random.rand(50) },
    "a kit with a part of another series" => lambda do |one, random|
      theirs = DOCUMENTS.sample(random: random)["parts"].sample(random: random)["number"]
      (one["kits"] ||= []) << { "number" => "KIT-#{random.rand(10_000)}", "name" => "a kit", "per" => "pump",
                                "contents" => [{ "part" => theirs, "quantity" => 1 }] }
    end,
    "a number replaced by one of another series" => lambda do |one, random|
      theirs = DOCUMENTS.sample(random: random)["parts"].sample(random: random)["number"]
      one["parts"].sample(random: random)["superseded_by"] = theirs unless one["parts"].any? { |part| part["number"] == theirs }
    end
  }.freeze

  def snapshot_of(documents, built, before: nil)
    series = documents.map { |document| built[document] ||= Core::Catalogue::Build.call(document) }
    Core::Catalogue::Snapshot.new(series, version: "x", before: before)
  end

  Made = Struct.new(:snapshot, :hypotheses, :field)

  # @param before [Made, nil]
  def made(snapshot, counts = {}, before: nil)
    hypotheses = Core::Identification::Hypotheses.new(snapshot, counts, before&.hypotheses)
    Made.new(snapshot, hypotheses, Core::Identification::Field.new(hypotheses.all, VOCABULARY, before: before&.field))
  end

  # @return [Array<Hash>] other documents, the edited ones other objects
  def edited(documents, random)
    at = random.rand(documents.size)
    return documents[0...at] + documents[(at + 1)..] if random.rand(8).zero?

    changed = Marshal.load(Marshal.dump(documents[at]))
    @told << (name = EDITS.keys.sample(random: random))
    EDITS[name].call(changed, random)
    documents.dup.tap { |all| all[at] = changed }
  end

  def test_a_field_after_another_is_one_made_from_nothing
    random = Random.new(SEED)
    built, @told, documents = {}.compare_by_identity, [], DOCUMENTS.dup
    before = made(snapshot_of(documents, built))
    12.times do
      documents = edited(documents, random)
      documents = DOCUMENTS.dup if documents.size < 10
      after = snapshot_of(documents, built, before: before.snapshot)
      counts = random.rand(3).zero? ? { after.variants.sample(random: random).id => 1 + random.rand(40) } : {}
      quick, long = made(after, counts, before: before), made(snapshot_of(documents, built), counts)
      same(quick.field, long.field)
      before = quick
    end
  end

  def same(quick, long)
    told = "AFTER_SEED=#{SEED} #{@told.last}"
    differing = long.hypotheses.zip(quick.hypotheses).find { |one, other| one != other }
    assert_nil differing, told
    ["flow_l_min/speed_rpm", *VOCABULARY.traits.each_value.map { |trait| trait.slot || trait.id }].each do |key|
      one, other = long.column(key), quick.column(key)
      %i[values places shares families].each { |part| assert_equal one.public_send(part), other.public_send(part), "#{told} #{key} #{part}" }
      assert_equal one.met_in(long.kin.values), other.met_in(quick.kin.values), "#{told} #{key}, of each family"
      next unless one.names

      %w[DK420 ZQ1? PW-42*8 TK4R2O ?K4].each { |text| assert_equal one.names.search(text), other.names.search(text), "#{told} #{key} #{text}" }
    end
  end

  # The last series taken out, and put back: one list is the beginning of the other.
  def test_one_that_is_the_beginning_of_the_other
    built, @told = {}.compare_by_identity, []
    whole = snapshot_of(DOCUMENTS, built)
    first = made(whole).tap { |one| same(one.field, one.field) }
    fewer = snapshot_of(DOCUMENTS[0...-1], built, before: whole)
    second = made(fewer, before: first)
    same(second.field, made(snapshot_of(DOCUMENTS[0...-1], built)).field)
    same(made(snapshot_of(DOCUMENTS, built, before: fewer), before: second).field, first.field)
  end

  # A flow is told by the speed that it is at.
  def test_one_trait_by_another
    column = made(snapshot).field.column("flow_l_min/speed_rpm")
    at = snapshot.variants.index { |pump| pump.designation == "DK420" }
    assert_in_delta variant("DK420").trait("flow_l_min") / variant("DK420").trait("speed_rpm").to_f, column.values[column.places[at]], 1e-12
  end

  # What nobody touched is not made again.
  def test_what_is_untouched_stays_the_same_object
    built = {}.compare_by_identity
    whole = (first = made(snapshot_of(DOCUMENTS, built))).field
    VOCABULARY.traits.each_value { |trait| whole.column(trait.slot || trait.id) }
    documents = DOCUMENTS.map.with_index { |one, at| at == 3 ? Marshal.load(Marshal.dump(one)) : one }
    documents[3]["models"].first["traits"]["mass_kg"] = 9.25
    after = snapshot_of(documents, built, before: first.snapshot)
    next_one = made(after, before: first).field
    own = after.of(after.series[3]).to_h { |variant| [variant.id, true] }
    kept = next_one.hypotheses.zip(whole.hypotheses).reject { |one, _| own[one.id] }
    assert(kept.all? { |one, other| one.equal?(other) })
    assert_same whole.column("plate").names, next_one.column("plate").names
    %i[places families].each { |part| assert_same whole.column("cylinders").public_send(part), next_one.column("cylinders").public_send(part) }
    assert_same whole.kin, next_one.kin
    refute_equal whole.column("mass_kg").values, next_one.column("mass_kg").values
  end

  # Worked out once, and forgotten with its series.
  def test_what_is_kept_by_series
    worked = 0
    kept = Core::Catalogue::BySeries.new { |series| [worked += 1, series.id] }
    one, other = snapshot.series.first(2)
    assert_equal [[1, one.id], [2, other.id], [1, one.id]], [kept[one], kept[other], kept[one]]
    assert_equal 1, kept.keep([other]).size
    assert_equal [[2, other.id], [3, one.id]], [kept[other], kept[one]]
  end

  # Orders of a series are worked out anew with the series, not with each catalogue; those of one that is gone are let go of.
  def test_order_ids_from_catalogue_to_catalogue
    ids = Core::Identification::OrderIds.new
    small = Core::Catalogue::Snapshot.new(snapshot.series.first(2), version: "small")
    first = ids.call(small, %w[packings])
    assert_same first.first, ids.call(small, %w[packings]).first
    ids.keep(small.series.drop(1))
    refute_same first.first, ids.call(small, %w[packings]).first
    assert_equal first, ids.call(small, %w[packings])
    has = small.variants.map { |variant| variant.series.areas_of(variant).any? { |area| area.id == "packings" } }
    assert_equal has.each_index.reject { |at| has[at] }, ids.lacking(small, %w[packings])
    assert_equal small.variants.each_index.to_a, ids.lacking(small, %w[nothing])
  end

  def test_names_are_kept_by_series
    built, known = {}.compare_by_identity, Core::Ear::Names.by_series
    first = snapshot_of(DOCUMENTS, built)
    Core::Ear::Names.exact_of(first, known)
    fewer = snapshot_of(DOCUMENTS.drop(2), built, before: first)
    assert_equal Core::Ear::Names.exact_of(fewer), Core::Ear::Names.exact_of(fewer, known.keep(fewer.series))
    assert_equal DOCUMENTS.size - 2, known.size
  end
end
