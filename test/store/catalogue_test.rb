# frozen_string_literal: true

require_relative "../support/app"

class CatalogueStoreTest < Minitest::Test
  include SeededApp

  def catalogue = @catalogue ||= Gimlet::Store::Catalogue.new(database)

  def import = Gimlet::Counter::ImportCatalogue.new(catalogue, Gimlet::Counter::CurrentReference.vocabulary_of(database))

  def counts = %i[makers series models parts kits kit_contents].to_h { |table| [table, database[table].count] }

  def document = catalogue.document("drosselby-dk4")

  def test_foreign_keys_and_write_ahead_log_are_on
    assert_equal [1, "wal"], [database.get(Sequel.lit("(SELECT foreign_keys FROM pragma_foreign_keys)")),
                              database.fetch("PRAGMA journal_mode").first.values.first]
    assert_raises(Sequel::ForeignKeyConstraintViolation) { database[:models].insert(designation: "X", series_id: "none") }
  end

  def test_what_comes_in_goes_out
    Dir[File.expand_path("../../data/demo/catalogue/*.json", __dir__)].each do |file|
      original = JSON.parse(File.read(file))
      assert_equal original, catalogue.document(original["series"]["id"])
    end
  end

  def test_importing_again_changes_nothing
    before = [counts, catalogue.snapshot.version]
    catalogue.import_all(catalogue.documents)
    assert_equal before, [counts, catalogue.snapshot.version]
  end

  def test_a_changed_document_makes_a_new_snapshot
    changed = document
    changed["models"] << changed["models"].first.merge("designation" => "DK499")
    old = catalogue.snapshot
    catalogue.import_all([changed])
    refute_equal old.version, catalogue.snapshot.version
    assert_equal ["DK499"], catalogue.snapshot.variants_of("DK499").map(&:id)
    assert_empty old.variants_of("DK499")
  end

  def test_a_broken_document_says_where_and_changes_nothing
    { ->(one) { one.delete("models") } => /it lacks models/,
      ->(one) { one["models"][0]["stroke_mm"] = -1 } => /models\.DK415\.stroke_mm/,
      ->(one) { one["stacks"][0]["layers"][0]["reuse"] = "sometimes" } => /stacks\.inlet_valve\.layers\.valve_cap\.reuse/,
      ->(one) { one["fasteners"][0]["tightenings"][0].delete("source") } => /source/,
      ->(one) { one["areas"][0]["opens"] = ["lid"] } => /no group “lid”/,
      ->(one) { one["series"]["id"] = "copy" } => /belongs to series drosselby-dk4 already/ }.each do |harm, said|
      before = counts
      broken = document
      harm.call(broken)
      assert_match said, assert_raises(Gimlet::Core::InputError) { import.call({ "x.json" => broken }) }.message
      assert_equal before, counts
    end
  end

  def test_one_broken_document_keeps_the_good_ones_out_too
    good = document
    good["series"]["name"] = "renamed"
    assert_raises(Gimlet::Core::InputError) { import.call({ "good.json" => good, "bad.json" => {} }) }
    assert_equal "DK4", catalogue.document("drosselby-dk4")["series"]["name"]
  end
end
