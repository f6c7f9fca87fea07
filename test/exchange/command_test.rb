# frozen_string_literal: true

require_relative "../support/app"

class CommandTest < Minitest::Test
  include SeededApp

  def run_command(*arguments)
    out = StringIO.new
    [Gimlet::Command.new(database.opts[:database], out: out).call(arguments), out.string]
  end

  def in_folder(&) = Dir.mktmpdir(&)

  def test_export_and_import_into_an_empty_database
    in_folder do |folder|
      assert_equal [true, "Wrote 21 series to #{folder}/out.\n"], run_command("export", "#{folder}/out")
      other = Gimlet::Store.connect("#{folder}/other.sqlite3")
      assert Gimlet::Command.new(other.opts[:database], out: StringIO.new).call(["import", "#{folder}/out"])
      versions = [database, other].map { |one| Gimlet::Store::Catalogue.new(one).snapshot.version }
      assert_equal versions.first, versions.last
      other.disconnect
    end
  end

  # A shop gives two series to another, which asks for the fingerprint first and remembers it.
  def test_a_bundle_goes_from_shop_to_shop
    in_folder do |folder|
      assert_match(/Wrote 2 series .* signed (\h{4} ?){4}\./, run_command("bundle", "#{folder}/two.json", "pellwick-tk4,quellby-va").last)
      other = Gimlet::Store.connect("#{folder}/other.sqlite3")
      take = lambda do |*options|
        out = StringIO.new
        [Gimlet::Command.new(other.opts[:database], out: out).call(["take", "#{folder}/two.json", *options]), out.string]
      end
      done, said = take.call
      refute done
      assert_match(/pump TK4L15 before 31000: nothing → on file.*Nothing was changed.*not known here: ask the other shop/m, said)
      assert_equal 0, other[:series].count
      assert take.call("--trust").first
      assert_equal %w[pellwick-tk4 quellby-va], other[:series].order(:id).select_map(:id)
      assert take.call.first
      assert_equal "600", format("%o", File.stat("#{database.opts[:database]}.sign").mode & 0o777)
      File.write("#{folder}/two.json", File.read("#{folder}/two.json").sub("PW-4220", "PW-4221"))
      assert_match(/not as it was signed/, take.call.last)
      other.disconnect
    end
  end

  # The torque goes up: said first, in capitals, before anything is changed.
  def test_a_dry_run_says_what_orders_would_say
    in_folder do |folder|
      run_command("export", folder)
      file = "#{folder}/pellwick-tk4.json"
      File.write(file, File.read(file).sub('"value": 195', '"value": 205'))
      _, said = run_command("import", file, "--dry-run")
      first = said.lines.grep(/torque/i).first
      assert_match(/\AA TORQUE GOES UP: torque head_bolts: .*195 lbf·in.* → .*205 lbf·in.*, 14 pumps, inlet valves, packings/, first)
    end
  end

  def test_import_says_what_is_wrong
    in_folder do |folder|
      File.write("#{folder}/broken.json", "{")
      assert_match(/broken.json is not valid JSON/, run_command("import", folder).last)
      File.write("#{folder}/broken.json", "{}")
      assert_match(/broken.json: is not a catalogue document/, run_command("import", "#{folder}/broken.json").last)
      assert_equal false, run_command("import", "#{folder}/nothing.json").first
    end
  end

  def test_backup_is_a_whole_copy_and_overwrites_nothing
    in_folder do |folder|
      assert run_command("backup", "#{folder}/copy.sqlite3").first
      copy = Gimlet::Store.connect("#{folder}/copy.sqlite3")
      assert_equal database[:stock].count, copy[:stock].count
      copy.disconnect
      assert_match(/is there already/, run_command("backup", "#{folder}/copy.sqlite3").last)
    end
  end

  def test_doctor_and_usage
    assert_equal [true, "Nothing looks wrong.\n"], run_command("doctor")
    assert_match(/gimlet import FILE/, run_command.last)
  end

  def test_prices_name_the_bad_lines_and_take_nothing
    in_folder do |folder|
      File.write(file = "#{folder}/prices.csv", "number,price,on_hand,pack\nPW-4110,1.25,7,1\nPW-4111,cheap,7,1\nXX-1,2.00,1,1\n")
      stock = ->(number) { database[:stock].where(number: number).get(:price_cents) }
      before = stock.call("PW-4110")
      went, said = run_command("prices", file)
      assert_equal [false, before], [went, stock.call("PW-4110")]
      assert_match(/line 3 \(PW-4111\): its price “cheap” cannot be read as a price/, said)
      assert_match(/PW-4110: .* → 1.25, 7 here, pack of 1\nXX-1: new → 2.00.*; it is in no catalogue.*\nNothing was changed/,
                   run_command("prices", file, "--dry-run").last)
      assert_equal before, stock.call("PW-4110")
      assert_match(/Took 2 prices/, run_command("prices", file, "--skip").last)
      assert_equal 125, stock.call("PW-4110")
      assert_match(/“--now” is none of/, run_command("prices", file, "--now").last)
    end
  end
end
