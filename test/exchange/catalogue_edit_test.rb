# frozen_string_literal: true

require_relative "../support/core"
require_relative "../../lib/gimlet/exchange/bundle"
require_relative "../../lib/gimlet/exchange/catalogue_csv"
require_relative "../../lib/gimlet/exchange/catalogue_edit"
require_relative "../../lib/gimlet/exchange/catalogue_table"
require "json"

# Writing a document place by place: what is typed is read as the format has it, and nothing else moves.
class CatalogueEditTest < Minitest::Test
  include DemoCatalogue

  Edit = Gimlet::Exchange::CatalogueEdit
  Typed = Gimlet::Exchange::TypedValue
  Shape = Gimlet::Exchange::CatalogueShape
  EXAMPLE = JSON.parse(File.read(File.expand_path("../../docs/example-catalogue.json", __dir__))).freeze

  def typed(at, text, document = EXAMPLE) = Edit.call(document, "at" => at, "text" => text)
  def found(at, document) = Gimlet::Core::Drafting::Place.find(document, at)

  # Places that a form has one field for.
  def fields(document, value = document, steps = [])
    case value
    when Hash then value.flat_map { |key, one| fields(document, one, [*steps, key]) }
    when Array then rows?(document, steps) ? value.each_index.flat_map { |at| fields(document, value[at], [*steps, at]) } : [steps]
    else [steps]
    end
  end

  def rows?(document, steps)
    shape = Shape.at(document, steps) || flunk("the format knows no #{steps.inspect}")
    shape["prefixItems"] || (shape["items"] && !%w[string number].include?(shape["items"]["type"]))
  end

  def test_typing_what_is_shown_changes_nothing_at_any_place_of_a_demo_series
    typed = DOCUMENTS.sample(2, random: Random.new(Minitest.seed)).sum do |document|
      text = JSON.generate(document)
      values = fields(document).to_h { |steps| [steps, steps.reduce(document) { |inside, step| inside[step] }] }
      values = values.reject { |steps, value| %w[format version].include?(steps.first) || value == [] }
      values.each { |steps, value| assert_equal text, JSON.generate(typed(steps, Typed.shown(value), document)), steps.inspect }
      values.size
    end
    assert_operator typed, :>, 300
  end

  def test_figures_lists_and_pairs_as_people_type_them
    assert_in_delta 20.5, found(["parts", "FX 4-20", "spec", "id_mm"], typed(["parts", "FX 4-20", "spec", "id_mm"], "20,5"))
    pumps = typed(["fits", 0, "for"], "plunger_mm: 18, 20; from: new-valve")
    assert_equal({ "plunger_mm" => [18, 20], "from" => "new-valve" }, found(["fits", 0, "for"], pumps))
    assert_equal({ "packing" => %w[guide seal] }, found(%w[groups covers disturbs], typed(%w[groups covers disturbs], "packing: guide, seal")))
    assert_equal({ "from" => 4, "up_to" => 20 }, found(%w[traits flow_l_min], typed(%w[traits flow_l_min], "from: 4; up_to: 20")))
    assert_equal "always", found(["finish", 1, "when"], typed(["finish", 1, "when"], "always"))
    assert_equal %w[caps covers], found(["finish", 1, "when"], typed(["finish", 1, "when"], "caps, covers"))
    assert_equal true, found(%w[groups caps each], typed(%w[groups caps each], "yes"))
  end

  def test_what_cannot_be_read_names_the_place_and_the_mend
    { [["parts", "FX 7", "spec", "id_mm"], "wide"] => /“wide” is not a number/,
      [%w[stacks packing layers guide reuse], "inspekt"] => /Did you mean “inspect”\?/,
      [%w[groups caps each], "perhaps"] => /neither yes nor no/, [["fits", 0, "for"], "20"] => /write key: value/,
      [%w[parts nothing here], "x"] => /knows no “parts › nothing › here”/ }.each do |(at, text), words|
      error = assert_raises(Gimlet::Core::InputError) { typed(at, text) }
      assert_match words, error.message
    end
  end

  def test_a_new_key_stands_where_the_format_lists_it_and_nothing_else_moves
    changed = typed(%w[fasteners cover_bolts tightenings] + [0, "tolerance"], "1")
    before, after = [EXAMPLE, changed].map { |one| JSON.pretty_generate(one).lines }
    assert_equal 1, after.size - before.size
    assert_equal(before, after.reject { |line| line.include?("tolerance") })
    nameless = Edit.call(EXAMPLE, "at" => ["parts", "FX 7", "name"], "kind" => "remove")
    assert_equal %w[number name spec], found(["parts", "FX 7"], typed(["parts", "FX 7", "name"], "ring", nameless)).keys
    emptied = typed(["parts", "FX 7", "spec", "height_mm"], "", changed)
    assert_nil found(["parts", "FX 7", "spec", "height_mm"], emptied)
  end

  def test_another_name_is_another_name_wherever_it_is_spoken_of
    { ["parts", "FX 7", "number"] => "FX 70", %w[stacks packing layers guide slot] => "sleeve", %w[groups covers id] => "lids",
      %w[consumables paste id] => "jelly", %w[faces front id] => "fore" }.each do |at, name|
      changed = typed(at, name)
      left = JSON.generate(changed).scan(/"(\w+)":(?=(?:\[[^\]]*)?"#{Regexp.escape(at[-2])}")/).flatten.uniq - %w[name called shape layers]
      assert_empty left, at.inspect
      assert_includes JSON.generate(changed), %("#{name}")
      refute_includes Gimlet::Core::Doctor.call(Gimlet::Core::Catalogue::Build.call(changed), VOCABULARY).map(&:level), "error"
    end
  end

  # A source follows the name of what was read; what is read anew stands under the new source only.
  def test_sources_follow_names_and_are_not_kept_twice
    read = { "document" => "FX sheet 3", "page" => "1" }
    once = Gimlet::Core::Drafting::Sourcing.call(EXAMPLE, "parts.FX 7", read)
    assert_equal([["parts.FX 70"]], typed(["parts", "FX 7", "number"], "FX 70", once)["sources"].map { |row| row["of"] })
    again = Gimlet::Core::Drafting::Sourcing.call(once, "parts.FX 7", read.merge("page" => "2"))
    assert_equal [{ "of" => ["parts.FX 7"], "document" => "FX sheet 3", "page" => "2" }], again["sources"]
  end

  def test_rows_are_added_moved_and_taken_out
    added = Edit.call(EXAMPLE, "at" => ["parts"], "kind" => "add", "text" => "FX 99")
    assert_equal({ "number" => "FX 99", "name" => "FX 99" }, added["parts"].last)
    assert_raises(Gimlet::Core::InputError) { Edit.call(added, "at" => ["parts"], "kind" => "add", "text" => "FX 99") }
    layers = %w[stacks packing layers]
    moved = Edit.call(EXAMPLE, "at" => [*layers, "guide"], "kind" => "move", "to" => 0)
    assert_equal "guide", found([*layers, 0, "slot"], moved)
    gone = Edit.call(EXAMPLE, "at" => ["parts", "FX 7"], "kind" => "remove")
    assert_equal EXAMPLE["parts"].size - 1, gone["parts"].size
    assert_equal JSON.parse(File.read(File.expand_path("../../docs/example-catalogue.json", __dir__))), EXAMPLE
  end

  def test_tables_go_out_and_come_in_again_with_nothing_changed
    DOCUMENTS.each do |document|
      Gimlet::Exchange::CatalogueCSV::LISTS.reject { |list| (document[list == "contents" ? "kits" : list] || []).empty? }.each do |list|
        out = StringIO.new
        Gimlet::Exchange::CatalogueCSV.write(document, list, out)
        table = Gimlet::Exchange::CatalogueTable.new(document, list, Gimlet::Exchange::CatalogueTable.lines(out.string)).call
        kept = table.rows.reject { |row| row.known && row.changes.empty? }
        assert_empty kept.map(&:to_h), "#{document['series']['id']} #{list}"
      end
    end
  end

  def test_a_shops_own_headings_are_guessed_and_what_differs_stands_side_by_side
    rows = ["Part no\tDescription\tID\tOD (mm)\tshelf", "FX 4-20\tseal 20\t20,5\t28\tB3", "FX 50\tring\t30\t40\t"]
    lines = Gimlet::Exchange::CatalogueTable.lines(rows.join("\n"))
    table = Gimlet::Exchange::CatalogueTable.new(EXAMPLE, "parts", lines)
    assert_equal ["number", "name", "spec.id_mm", "spec.od_mm", nil], table.columns.map(&:at)
    known, fresh = table.call.rows
    assert_equal [["spec.id_mm", "20", "20,5"]], known.changes
    refute fresh.known
    taken = table.call.rows.flat_map(&:edits).reduce(EXAMPLE) { |document, edit| Edit.call(document, edit) }
    assert_in_delta 20.5, found(["parts", "FX 4-20", "spec", "id_mm"], taken)
    assert_equal({ "number" => "FX 50", "name" => "ring", "spec" => { "id_mm" => 30, "od_mm" => 40 } }, taken["parts"].last)
  end

  # RFC 8032: whatever is changed in what was signed, or in the signature, it does not hold any more.
  def test_a_bundle_that_was_changed_on_the_way_is_refused
    key = Gimlet::Exchange::Bundle.key
    text = Gimlet::Exchange::Bundle.write([EXAMPLE], shop: "Coined Pumps", key: key, at: "2026-05-02")
    told = Gimlet::Exchange::Bundle.read(text)
    assert_equal [[EXAMPLE], "Coined Pumps", Gimlet::Exchange::Bundle.fingerprint(key)], [told.series, told.shop, told.fingerprint]
    row = JSON.parse(text)
    changed = [row.merge("signed" => row["signed"].sub("FX 7", "FX 9")), row.merge("signature" => row["signature"].tr("A-Z", "B-ZA")),
               row.merge("key" => Gimlet::Exchange::Bundle.key.public_to_pem), row.except("signature"), { "format" => "other" }]
    changed.each { |one| assert_raises(Gimlet::Core::InputError, one.keys.join) { Gimlet::Exchange::Bundle.read(JSON.generate(one)) } }
    assert_raises(Gimlet::Core::InputError) { Gimlet::Exchange::Bundle.read(text[0, 300]) }
  end
end
