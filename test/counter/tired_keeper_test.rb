# frozen_string_literal: true

require_relative "../support/core"
require_relative "../../lib/gimlet/counter/import_catalogue"
require_relative "../../lib/gimlet/counter/current_reference"

# What people write who have read one sheet too many: each is refused or warned of in words, but for those that nothing speaks against.
class TiredKeeperTest < Minitest::Test
  include DemoCatalogue

  ROWS = YAML.load_file(File.expand_path("tired_keeper.yml", __dir__)).freeze
  WORDS = Gimlet::Counter::CurrentReference.vocabulary(nil)
  PLACE = Gimlet::Core::Drafting::Place
  SOUND = {} # rubocop:disable Style/MutableConstant

  def findings(document)
    faults = Gimlet::Exchange::CatalogueFormat.faults(document)
    return faults if faults.any?

    found = Gimlet::Core::Doctor.call(Gimlet::Core::Catalogue::Build.call(document), WORDS, Gimlet::Exchange::ReferenceFiles::TABLES)
    found.map { |one| "#{one.place} #{one.text}" }
  end

  def sound(series) = SOUND[series] ||= findings(document(series))

  def written(series, place, value)
    steps = place.split("/").map { |step| step.match?(/\A#\d+\z/) ? step[1..].to_i : step }
    document(series).tap do |changed|
      next PLACE.find(changed, steps[0...-1]) << value if steps.last == "+"

      holder, key = PLACE.holder(changed, steps)
      next holder[key] = value unless value.nil?

      flunk("nothing at #{place}") if holder.is_a?(Array) ? holder[key].nil? : !holder.key?(key)
      holder.is_a?(Array) ? holder.delete_at(key) : holder.delete(key)
    end
  end

  # A sixth of them in one run, another sixth in another; all of them with KEEPER=all.
  SIXTH = Integer(ENV.fetch("KEEPER_SEED", rand(6)))
  PARTS = 6
  puts "tired keeper, sixth #{SIXTH}"

  ROWS.each_slice(12).with_index do |rows, lot|
    define_method("test_lot_#{lot + 1}_is_not_taken_in_silence") do
      chosen = rows.each_with_index.select { |_, at| ENV["KEEPER"] == "all" || at % PARTS == SIXTH }.map(&:first)
      chosen.each do |series, place, value, harm, unsaid|
        said = findings(written(series, place, value)) - sound(series)
        assert_equal unsaid.nil?, said.any?, "#{series} #{place} → #{value.inspect} (#{harm})"
      end
    end
  end

  def test_the_demo_raises_no_alarm
    DOCUMENTS.each { |document| assert_empty findings(document), document["series"]["id"] }
  end

  # One in twelve, as the keeper of a catalogue was promised.
  def test_few_pass_unsaid
    assert_operator ROWS.count { |row| row[4] }, :<=, ROWS.size / 12
  end

  def test_messages_name_what_is_meant_and_the_mend
    { ["pellwick-tk4", "traits/plunger_m", 20] => /Did you mean “plunger_mm”\?/,
      ["pellwick-tk4", "parts/PW-4220/spec/id_m", 20] => /parts\.PW-4220\.spec\.id_m .* Did you mean “id_mm”\?/,
      ["pellwick-tk4", "parts/PW-4220/spec/id_mm", 50] => /id_mm 50 is no less than od_mm 28/,
      ["pellwick-tk4", "parts/PW-4220/spec/id_mm", 24] => /parts\.PW-4220\.spec id_mm 24 .*plunger/,
      ["pellwick-tk4", "kits/PW-K220/contents/PW-4220/quantity", 30] => /holds 30 of PW-4220; a whole pump has 3/,
      ["pellwick-tk4", "kits/PW-K220/contents/+", { "part" => "PW-4220", "quantity" => 1 }] => /kits\.PW-K220\.contents names PW-4220 2 times/,
      ["pellwick-tk4", "fasteners/head_bolts/points/h/#1", 1080] => /has h at 1080, 10, off the face “head” \(120 × 76 mm\)/,
      ["quellby-va", "fasteners/lower_bolts/tightenings/#0/value",
       12] => /upper_bolts.* 21 .*lower_bolts.* 12 |is one of them a slip\?/ }.each do |row, words|
      assert(findings(written(*row)).any?(words), (findings(written(*row)) - sound(row.first)).join("\n"))
    end
  end
end
