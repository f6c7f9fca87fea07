# frozen_string_literal: true

require_relative "../support/core"

# Looking into the catalogue, against loops over the documents themselves.
class LookupTest < Minitest::Test
  include DemoCatalogue

  Lookup = Gimlet::Core::Lookup
  INDEX = Lookup::Index.new(DemoCatalogue::SNAPSHOT)

  # [series, stack, slot, pumps] of every part, read off the documents: what a person with a pencil would list.
  def self.by_pencil
    DemoCatalogue::DOCUMENTS.each_with_object(Hash.new { |all, number| all[number] = [] }) do |document, all|
      pumps = DemoCatalogue::SNAPSHOT.variants.select { |one| one.series.id == document["series"]["id"] }
      document["stacks"].each do |stack|
        stack["layers"].each do |layer|
          document["fits"].select { |fit| fit["slot"] == layer["slot"] }.each do |fit|
            on = pumps.select { |pump| [stack, layer, fit].all? { |entry| holds?(entry["for"], pump) } }
            all[fit["part"]] << [stack["id"], layer["slot"], stack["positions"].size, on.map(&:id).sort] if on.any?
          end
        end
      end
    end
  end

  def self.holds?(wanted, pump)
    (wanted || {}).all? do |key, value|
      next pump.sides[value] == key.to_sym if %w[before from].include?(key)

      [value].flatten.include?(pump.traits[key])
    end
  end

  def test_where_a_part_is_used_agrees_with_the_documents_for_every_part
    pencil = self.class.by_pencil
    checked = DOCUMENTS.flat_map { |document| document["parts"] }.count do |row|
      used = Lookup::WhereUsed.of(row["number"], snapshot)
      told = used.places.map { |use| [use.stack.id, use.layer.slot, use.quantity, use.variants.map(&:id).sort] }
      assert_equal pencil[row["number"]].sort, told.sort, row["number"]
      holding = DOCUMENTS.flat_map { |document| document["kits"] || [] }.select do |kit|
        kit["contents"].any? do |line|
          line["part"] == row["number"]
        end
      end
      assert_equal holding.map { |kit| kit["number"] }.sort, used.kits.map(&:number).sort
    end
    assert_operator checked, :>, 500
  end

  def test_what_replaced_it_and_what_it_replaced
    assert_equal ["PW-4401"], Lookup::WhereUsed.of("PW-4400", snapshot).newer.map(&:number)
    assert_equal ["PW-4400"], Lookup::WhereUsed.of("PW-4401", snapshot).older.map(&:number)
    assert_nil Lookup::WhereUsed.of("PW-0000", snapshot)
  end

  def test_everything_that_has_a_number_is_found_by_it
    numbers = DOCUMENTS.flat_map { |document| document["parts"].map { |row| row["number"] } + (document["kits"] || []).map { |row| row["number"] } }
    missed = numbers.reject do |number|
      INDEX.find(number).first&.key == number && INDEX.find(number.downcase.delete(" .-")).any? do |one|
        one.key == number
      end
    end
    assert_empty missed
  end

  def test_sizes_are_found_however_they_are_typed
    sized = DOCUMENTS.flat_map do |document|
      document["parts"]
    end.select { |row| (row["spec"] || {}).values_at("id_mm", "od_mm", "height_mm") == [20, 28, 6] }
    wanted = sized.map { |row| row["number"] }
    ["20x28x6", "20 x 28 x 6", "28 × 20", "seal 20*28*6"].each { |words| assert_empty wanted.first(1) - INDEX.find(words).map(&:key), words }
    assert_empty INDEX.find("20x28x7 seal")
  end

  def test_words_must_all_be_there
    assert_equal ["QB-042"], INDEX.find("yellow spring discharge").map(&:key)
    assert_equal(%w[model TK4L20], INDEX.find("tk4l20").first.then { |one| [one.kind, one.key] })
    assert_empty INDEX.find("yellow marmalade")
    assert_empty INDEX.find("  ")
  end

  # The sheet: packings of a TK4 take three seals of each pressure, three guide O-rings, and the three joint O-rings that do not survive the
  # manifold coming off. The kit has the first nine.
  def test_a_kit_against_its_pumps
    sheet = Lookup::KitSheet.of("PW-K220", snapshot)
    column = sheet.columns.first
    assert_equal [["packings"], 1], [column.areas, column.kits]
    assert_equal({ "PW-4220" => [3, 3], "PW-4240" => [3, 3], "PW-4250" => [3, 3], "PW-4141" => [0, 3] },
                 column.rows.to_h { |row| [row.part.number, [row.held, row.needed]] })
    assert_equal({ "PW-4141" => 3 }, column.rows.to_h { |row| [row.part.number, row.open(column.kits)] }.reject { |_, open| open.zero? })
  end

  def test_a_kit_for_one_end_is_needed_at_both
    column = Lookup::KitSheet.of("UV KVA", snapshot).columns.first
    assert_equal 2, column.kits
    assert(column.rows.select { |row| row.held.positive? }.all? { |row| row.open(column.kits).zero? })
  end

  # 20 entries with a source of 20 and none read twice is half; all of it read twice is all; a finding takes two off.
  def test_health_counts_sources_and_second_readings
    series = snapshot.series.find { |one| one.id == "pellwick-tk4" }
    health = Lookup::SeriesHealth.of(series, [])
    assert_equal health.entries, health.sourced
    assert_equal (50 + (50.0 * health.read_twice / health.to_read_twice)).round, health.figure
    assert_equal health.figure - 2, Lookup::SeriesHealth.of(series, [:finding]).figure
    twice = document("pellwick-tk4")
    by_one = %w[2026-05-01 2026-05-02].map { |day| { "who" => "Ines", "on" => day, "against" => "TK4 sheet" } }
    twice["kits"].each { |kit| kit["checked"] = by_one }
    assert_equal health.read_twice, Lookup::SeriesHealth.of(Gimlet::Core::Catalogue::Build.call(twice), []).read_twice
    bare = Lookup::SeriesHealth.of(Gimlet::Core::Catalogue::Build.call(document("pellwick-tk4").tap { |one| one.delete("sources") }), [])
    assert_includes bare.unsourced, "kits.PW-K220"
    assert_equal bare.unsourced.size, bare.entries - bare.sourced
  end

  # Each piece of an exploded stack by itself, in the order of the layers.
  def test_an_exploded_stack_has_no_piece_on_another
    snapshot.variants.uniq(&:series).each do |variant|
      variant.series.stacks.select { |stack| Gimlet::Core::Catalogue::Condition.met?(stack.condition, variant) }.each do |stack|
        pieces = Gimlet::Core::Plan::Section.of(stack, variant, snapshot, apart: true).pieces
        assert_equal stack.layers_of(variant).size, pieces.size
        pieces.each_cons(2) { |one, other| assert_operator one.x_mm + one.width_mm, :<, other.x_mm, "#{variant.id} #{stack.id}" }
      end
    end
  end
end
