# frozen_string_literal: true

require_relative "../support/app"

# Mistakes that people make when they write a document, planted one by one: each is refused or warned of with file, place and fix, and a
# refused one changes nothing.
class PlantedMistakesTest < Minitest::Test
  include SeededApp

  EXAMPLE = JSON.parse(File.read(File.expand_path("../../docs/example-catalogue.json", __dir__))).freeze

  def row(list, id) = ->(one) { one[list].find { |entry| [entry["id"], entry["number"], entry["slot"], entry["designation"]].include?(id) } }
  def layer(stack, slot) = ->(one) { row("stacks", stack).call(one)["layers"].find { |entry| entry["slot"] == slot } }

  # What is done to the document => [place, words of the sentence]
  REFUSED = {
    "an old format" => [->(one, _) { one["version"] = 1 }, "format 1: Gimlet reads format 2"],
    "something else" => [->(one, _) { one["format"] = "price list" }, "no “format”"],
    "a key left out" => [->(one, _) { one.delete("models") }, "it lacks models"],
    "a key misspelled" => [->(one, t) { t.row("areas", "packings").call(one)["opnes"] = [] },
                           "a key that the format does not know here. Did you mean “opens”?"],
    "a word for a number" => [->(one, t) { t.row("models", "FX-18").call(one)["stroke_mm"] = "12" }, "models.FX-18.stroke_mm"],
    "a reuse rule that is none" => [lambda { |one, t|
      t.layer("packing", "guide").call(one)["reuse"] = "sometimes"
    }, "“sometimes” is none of replace_always"],
    "a torque without its source" => [->(one, _) { one["fasteners"][0]["tightenings"][0].delete("source") }, "it lacks source"],
    "a group misspelled" => [lambda { |one, t|
      t.row("areas", "packings").call(one)["opens"] = ["cover"]
    }, "areas.packings.opens", "Did you mean “covers”?"],
    "a stack that is not there" => [lambda { |one, t|
      t.row("areas", "packings").call(one)["stacks"] = ["rods"]
    }, "areas.packings.stacks", "no stack “rods”"],
    "a slot that is not there" => [->(one, t) { t.row("groups", "covers").call(one)["disturbs"] = { "packing" => ["gide"] } },
                                   "groups.covers.disturbs", "Did you mean “guide”?"],
    "a group after itself" => [->(one, t) { t.row("groups", "covers").call(one)["after"] = ["covers"] }, "groups.covers.after", "after itself"],
    "a fastener that is not there" => [lambda { |one, t|
      t.row("groups", "covers").call(one)["fasteners"] = ["nuts"]
    }, "groups.covers.fasteners", "no fastener “nuts”"],
    "a face that is not there" => [->(one, t) { t.row("fasteners", "caps").call(one)["face"] = "side" }, "fasteners.caps.face", "no face “side”"],
    "a glass on the wrong side" => [lambda { |one, _|
      one["traits"]["sight_glass"] = "rear"
      one["outside"] = { "marks" => [{ "what" => "sight_glass", "on" => "side", "x_mm" => 60, "y_mm" => 10, "width_mm" => 12 }] }
    }, "outside.marks.0", "shows a sight glass on the side, and sight_glass of", "is rear: one is wrong"],
    "a thing that is none" => [lambda { |one, _|
      one["outside"] = { "marks" => [{ "what" => "lamp", "on" => "top", "x_mm" => 5, "y_mm" => 4, "width_mm" => 3 }] }
    }, "“lamp” is none of"],
    "a position misspelled" => [->(one, t) { t.row("fasteners", "caps").call(one)["points"][1][3] = "valve two" },
                                "fasteners.caps", "holds “valve two”, a position that no stack has"],
    "a part that is not listed" => [->(one, _) { one["kits"][0]["contents"] << { "part" => "FX 77", "quantity" => 1 } },
                                    "kits.FX K20", "“FX 77” is not listed under parts"],
    "a fit to nowhere" => [->(one, _) { one["fits"] << { "slot" => "lamp", "part" => "FX 1" } }, "fits.lamp", "no stack has a layer “lamp”"],
    "two parts for one place" => [lambda { |one, _|
      one["fits"] << { "slot" => "guide", "part" => "FX 7" }
    }, "fits.guide", "only one can be right, say `for`"],
    "an id twice" => [->(one, _) { one["stacks"] << one["stacks"][0] }, "stacks.valve", "stands 2 times"],
    "a kit that is a part" => [->(one, _) { one["kits"][0]["number"] = "FX 7" }, "kits.FX 7", "is a part and a kit"],
    "a trait misspelled" => [->(one, _) { one["traits"]["head_bolt"] = 4 }, "traits.head_bolt", "Did you mean “head_bolts”?"],
    "a trait in words" => [->(one, _) { one["traits"]["speed_rpm"] = "1450 rpm" }, "traits.speed_rpm", "“1450 rpm” is not a number, in rpm"],
    "a size beyond any pump" => [lambda { |one, t|
      t.row("models", "FX-20").call(one)["traits"]["plunger_mm"] = 2000
    }, "models.FX-20.traits.plunger_mm", "beyond any pump"],
    "a `for` that no pump meets" => [lambda { |one, _|
      one["fits"][4]["for"] = { "plunger_mm" => 19 }
    }, "fit.seal.for", "no pump of the series has plunger_mm 19: it has 18, 20"],
    "a `for` with a break that is none" => [lambda { |one, _|
      one["fits"][1]["for"] = { "from" => "new" }
    }, "fit.valve.for", "there is no serial break “new”"],
    "a break of models that are none" => [lambda { |one, _|
      one["serial_breaks"][0]["models"] = ["FX-22"]
    }, "serial_breaks.new-valve.models", "no model “FX-22”"],
    "shares that do not fall" => [->(one, _) { one["serial_breaks"] << { "id" => "later", "from" => 9000, "share_from" => 0.6, "note" => "n" } },
                                  "serial_breaks.later", "a larger from and a smaller share_from"],
    "a number that replaces itself" => [lambda { |one, t|
      t.row("parts", "FX 8A").call(one)["superseded_by"] = "FX 8"
    }, "parts.FX 8.superseded_by", "leads back to FX 8"],
    "a part that is its own stand-in" => [lambda { |one, t|
      t.row("parts", "FX 7").call(one)["interchange"] = ["FX 7"]
    }, "parts.FX 7", "takes its own place"],
    "steps that miss the value" => [lambda { |one, _|
      one["fasteners"][1]["tightenings"][0]["steps"] = [6, 12]
    }, "fasteners.cover_bolts", "the steps end at 12, not at the value 18 N·m"],
    "passes that fall" => [lambda { |one, _|
      one["fasteners"][1]["tightenings"][0]["steps"] = [12, 6, 18]
    }, "fasteners.cover_bolts", "the passes must rise"],
    "two bolts in one place" => [lambda { |one, t|
      points = t.row("fasteners", "cover_bolts").call(one).then { |row| (row["sets"] || [row]).first["points"] }
      points[1][1..2] = points[0][1..2]
    }, "fasteners.cover_bolts", "sit in one place"],
    "a step beyond the value" => [lambda { |one, _|
      one["fasteners"][1]["tightenings"][0].delete("steps")
      one["fasteners"][1]["tightenings"][0]["step"] = 50
    }, "fasteners.cover_bolts", "a step of 50 is no less than the value 18 N·m"],
    "steps and fractions at once" => [lambda { |one, _|
      one["fasteners"][1]["tightenings"][0]["fractions"] = [50, 100]
    }, "fasteners.cover_bolts", "one of step, steps and fractions"],
    "a tolerance as large as the value" => [lambda { |one, _|
      one["fasteners"][1]["tightenings"][0]["tolerance"] = 18
    }, "fasteners.cover_bolts", "the tolerance must be less"],
    "an angle over a turn" => [lambda { |one, _|
      one["fasteners"][1]["tightenings"][0].merge!("kind" => "snug_then_angle", "angles_deg" => [60, 450])
    }, "fasteners.cover_bolts.tightenings.0.angles_deg.1", "450 is too much: at most 360"],
    "a turn that no torque takes" => [lambda { |one, _|
      one["fasteners"][1]["tightenings"][0]["turns"] = 0.5
    }, "fasteners.cover_bolts.tightenings.0.turns", "a key that the format does not know here"],
    "a value that is firm as well" => [lambda { |one, _|
      one["fasteners"][1]["tightenings"][0]["kind"] = "firm"
    }, "fasteners.cover_bolts.tightenings.0.value", "a key that the format does not know here"],
    "a torque of nothing" => [lambda { |one, _|
      one["fasteners"][1]["tightenings"][0]["value"] = 0
    }, "fasteners.cover_bolts.tightenings.0.value", "0 is too little: more than 0"],
    "two values for one bolt" => [lambda { |one, _|
      one["fasteners"][0]["tightenings"] << { "kind" => "firm" }
    }, "fasteners.caps", "2 tightenings for FX-18"],
    "a list that forgets a bolt" => [->(one, t) { t.row("fasteners", "cover_bolts").call(one).merge!("pattern" => "listed", "order" => %w[1 3 2]) },
                                     "fasteners.cover_bolts.order", "the bolts are 1, 2, 3, 4: each once"],
    "a consumable that is not there" => [lambda { |one, t|
      t.row("groups", "caps").call(one)["consumables"][0]["consumable"] = "glue"
    }, "groups.caps.consumables", "no consumable “glue”"],
    "a tool that is not there" => [->(one, t) { t.row("areas", "packings").call(one)["tools"] = ["hook"] }, "areas.packings.tools", "no tool “hook”"],
    "a caution for nothing" => [->(one, _) { one["cautions"][0]["when"] = ["cap"] }, "cautions.when", "Did you mean “caps”?"],
    "inside itself" => [->(one, t) { t.layer("packing", "wiper").call(one)["inside"] = "wiper" }, "stacks.packing.wiper", "no other layer “wiper”"],
    "a set with what is not there" => [lambda { |one, t|
      t.layer("valve", "spring").call(one)["renew_with"] = ["seat"]
    }, "stacks.valve.spring", "no other layer “seat”"],
    "a figure of no trait" => [->(one, _) { one["finish"][1]["figure"]["trait"] = "torque" }, "finish", "some pump has the trait “torque”"],
    "places called differently" => [lambda { |one, t|
      t.row("stacks", "valve").call(one)["positions"] = ["valve 1", "valve B"]
    }, "fasteners.caps", "holds “valve 2”"],
    "an area of nothing" => [lambda { |one, t|
      t.row("areas", "wipers").call(one)["opens"] = [] and t.row("areas", "wipers").call(one).delete("work")
    }, "areas.wipers", "renews nothing and opens nothing"],
    "a number of another series" => [lambda { |one, t|
      t.row("parts", "FX 7").call(one)["number"] = "PW-4110"
      t.row("fits", "backup").call(one)["part"] = "PW-4110"
    },
                                     "PW-4110", "belongs to series pellwick-tk4 already"]
  }.freeze

  WARNED = {
    "a plate far off the pump" => [lambda { |one, _|
      one["outside"] = { "marks" => [{ "what" => "plate", "on" => "top", "x_mm" => 5000, "y_mm" => 40, "width_mm" => 30 }] }
    }, "outside.marks.0", "far off the pump from above"],
    "a face on two sides" => [lambda { |one, t|
      t.row("faces", "top").call(one)["sides"] = %w[top below]
    }, "faces", "show 4 caps on all sides, and valve_caps is 2"],
    "two faces on one side" => [->(one, t) { t.row("faces", "top").call(one)["sides"] = ["front"] }, "faces.front.sides", "is front, as top is"],
    "a group that nothing opens" => [lambda { |one, _|
      one["groups"] << { "id" => "lid", "name" => "lid", "open" => "", "close" => "" }
    }, "groups.lid", "used by nothing"],
    "a tool that nobody needs" => [lambda { |one, _|
      one["tools"] = [{ "id" => "hook", "name" => "hook", "kind" => "common" }]
    }, "tools.hook", "used by nothing"],
    "a seal that faces nowhere" => [->(one, t) { t.layer("packing", "seal").call(one).delete("opens_to") }, "stacks.packing.seal", "say in opens_to"],
    "a place without a part" => [->(one, _) { one["fits"].reject! { |fit| fit["slot"] == "wiper" } }, "fits.wiper", "has no part on file"],
    "inches for feet, up" => [->(one, _) { one["fasteners"][1]["tightenings"][0].merge!("value" => 160, "unit" => "lbf·ft", "steps" => [50, 160]) },
                              "fasteners.cover_bolts", "check the unit"],
    "feet for inches, down" => [lambda { |one, _|
      one["fasteners"][1]["tightenings"][0].merge!("value" => 13.3, "unit" => "lbf·in", "steps" => [6, 13.3])
    },
                                "fasteners.cover_bolts", "under a sixth"],
    "a part that fits nothing" => [lambda { |one, _|
      one["parts"] << { "number" => "FX 99", "name" => "lamp" }
    }, "parts.FX 99", "fits nothing and is in no kit"],
    "a flow that cannot be" => [lambda { |one, t|
      t.row("models", "FX-18").call(one)["traits"]["flow_l_min"] = 15
    }, "models.FX-18", "% of what bore, stroke and speed sweep"],
    "looked over for nothing" => [lambda { |one, t|
      t.layer("valve", "spring").call(one).delete("criteria")
    }, "stacks.valve.spring", "no criteria say what for"],
    "mineral grease on EPDM" => [lambda { |one, t|
      t.row("parts", "FX 3").call(one)["spec"]["material"] = "EPDM"
    }, "layers.cap_oring.lube", "Never oil on EPDM"],
    "a size that finds nothing" => [lambda { |one, t|
      t.row("parts", "FX 4-20").call(one)["spec"] = { "length_mm" => 3 }
    }, "parts.FX 4-20.spec", "told by"]
  }.freeze

  def catalogue = @catalogue ||= Gimlet::Store::Catalogue.new(database)
  def import(files) = Gimlet::Counter::ImportCatalogue.new(catalogue, Gimlet::Counter::CurrentReference.vocabulary_of(database)).call(files)

  def harmed(harm)
    document = JSON.parse(JSON.generate(EXAMPLE))
    harm.call(document, self)
    document
  end

  def contents = database[:series].order(:id).select_map(%i[id digest])

  def test_the_example_is_sound
    assert_empty import({ "example.json" => harmed(->(*) {}) })
    assert_includes catalogue.snapshot.variants.map(&:id), "FX-20 from 4000"
  end

  REFUSED.each do |mistake, (harm, *said)|
    define_method("test_refused_#{mistake}") do
      before = contents
      error = assert_raises(Gimlet::Core::InputError) { import({ "shop/fx.json" => harmed(harm) }) }
      assert(error.message.lines.any? { |line| line.start_with?("shop/fx.json: ") && said.all? { |words| line.include?(words) } }, error.message)
      assert_equal before, contents
    end
  end

  WARNED.each do |mistake, (harm, place, words)|
    define_method("test_warned_of_#{mistake}") do
      found = import({ "fx.json" => harmed(harm) })
      assert(found.any? { |one| one.place.include?(place) && one.text.include?(words) }, found.map { |one| "#{one.place} #{one.text}" }.join("\n"))
    end
  end

  def test_several_mistakes_are_said_at_once
    several = lambda do |one, _|
      one["traits"]["mood"] = "good"
      one["fits"] << { "slot" => "lamp", "part" => "FX 1" }
      one["fasteners"][1]["tightenings"][0]["steps"] = [6]
    end
    message = assert_raises(Gimlet::Core::InputError) { import({ "fx.json" => harmed(several), "b.json" => {} }) }.message
    assert_operator message.lines.size, :>=, 4, message
  end

  def test_a_file_with_a_byte_order_mark_and_one_with_a_key_twice
    Dir.mktmpdir do |folder|
      File.write("#{folder}/fx.json", "\uFEFF#{JSON.generate(EXAMPLE)}")
      assert_equal(["FX"], Gimlet::Exchange::CatalogueFiles.read(folder).values.map { |one| one["series"]["name"] })
      File.write("#{folder}/twice.json", JSON.generate(EXAMPLE).sub('"traits":', '"maker": {"id": "x", "name": "X"}, "traits":'))
      assert_match(/twice.json is not valid JSON: duplicate key "maker"/, assert_raises(Gimlet::Core::InputError) do
        Gimlet::Exchange::CatalogueFiles.read(folder)
      end.message)
      File.binwrite("#{folder}/twice.json", "{\"a\": \"\xFF\"}")
      assert_match(/not UTF-8/, assert_raises(Gimlet::Core::InputError) { Gimlet::Exchange::CatalogueFiles.read(folder) }.message)
    end
  end

  def test_an_empty_catalogue_says_so
    catalogue.documents.each { |one| catalogue.remove(one["series"]["id"]) }
    app = Rack::MockRequest.new(Gimlet::API::App.new(Gimlet::Counter::Shop.new(database)))
    answer = app.post("/api/identify", input: '{"text": "8 bolts"}', "CONTENT_TYPE" => "application/json")
    assert_equal [422, "empty_catalogue"], [answer.status, JSON.parse(answer.body)["code"]]
    assert_equal [422, 200], [app.get("/api/tickets/new").status, app.get("/api/health").status]
  end

  def test_a_series_is_taken_out_and_orders_are_left_alone
    import({ "fx.json" => harmed(->(*) {}) })
    assert catalogue.remove("ferrowby-fx")
    refute catalogue.remove("ferrowby-fx")
    assert_empty catalogue.snapshot.variants_of("FX-20")
  end
end
