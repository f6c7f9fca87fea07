# frozen_string_literal: true

require_relative "../support/core"

# Whether it can be put together as it is written: mistakes planted one by one in documents that are sound.
class AssemblyTest < Minitest::Test
  include DemoCatalogue

  Doctor = Gimlet::Core::Doctor

  def remarks(series_id, rounds = Doctor::ROUNDS[1])
    text = document(series_id)
    yield text
    series = Gimlet::Core::Catalogue::Build.call(text)
    found = Doctor::References.new(series, nil).call
    found += compared(series, rounds) if found.none?(&:error?)
    found.map { |remark| "#{remark.place} #{remark.text}" }
  end

  # Without the trial plans, where nothing else is asked.
  def compared(series, rounds)
    known = Doctor::Known.new(sentences: Doctor::Sentences.of(series))
    rounds.flat_map { |check| check.new(series, known).call }
  end

  def row(document, list, id) = document[list].find { |one| one["id"] == id || one["number"] == id }

  def swap(list, one, other)
    list[one], list[other] = list[other], list[one]
  end

  def step(document, key)
    document["close_order"].find { |one| one.values_at("group", "id", "tighten").compact.first == key }
  end

  # Series => what is done to it, words of the remark.
  PLANTED = {
    "a group left out" => ["brackenholt-dw", ->(one, _) { one["close_order"].pop }, /leaves out the group “right_head”/],
    "a group closed twice" => ["brackenholt-dw", ->(one, _) { one["close_order"] << { "group" => "piston" } }, /closes twice the group “piston”/],
    "a manifold over nuts and valves" => ["silverow-sv", lambda { |one, _|
      one["groups"][1]["after"] = ["inlet_manifold"]
      one["groups"].find { |group| group["id"] == "rods" }["after"] = ["discharge_manifold"]
      one["groups"].find { |group| group["id"] == "inlet_manifold" }["after"] = ["discharge_manifold"]
      order = one["close_order"]
      order.each { |row| row.delete("after") }
      order.insert(2, order.delete_at(1))
    }, /slides over inlet valve \(30 mm outside\) with low-pressure seal \(20 mm inside\)/],
    "a nut left slack" => ["dunnagarth-pg", lambda { |one, _|
      one["close_order"].reject! do |row|
        row["tighten"] == "packing_nuts"
      end
    }, /leaves packing nuts slack/],
    "a part turn on a slack nut" => ["dunnagarth-pg", lambda { |one, test|
      test.step(one, "packing_nuts").then { one["close_order"].find { |row| row["tighten"] == "packing_nuts" }["text"] = "An eighth on." }
    }, /does not say that packing nuts are tight again/],
    "bolts by hand and never tight" => ["dunnagarth-pg", ->(one, _) { one["close_order"].reject! { |row| row["tighten"] == "retainer_bolts" } },
                                        /leaves oil-seal retainer bolts M12 in by hand only/],
    "the covers before the plunger" => ["dunnagarth-pg", ->(one, test) { test.swap(one["close_order"], 3, 4) }, /stands before “plungers”/],
    "the disc after the piston" => ["wexmoor-wx", ->(one, test) { test.swap(one["close_order"], 0, 1) }, /stands before “disc”|which lies deeper/],
    "a disc that goes in under its piston" => ["wexmoor-wx", lambda { |one, test|
      one["close_order"].each { |row| row.delete("after") }
      test.swap(one["close_order"], 0, 1)
    }, /puts in piston before bottom disc \(disc\), which lies deeper/],
    "the plate before the manifold is back" => ["pellwick-tk4", ->(one, test) { test.swap(one["close_order"], 1, 2) }, /stands before “manifold”/],
    "no order, and a plate that wants the manifold back" => ["pellwick-tk4", ->(one, _) { one.delete("close_order") }, /stands before “manifold”/],
    "a washer wider than the seal" => ["drosselby-dk4", ->(one, test) { test.row(one, "parts", "DB 7930")["spec"]["od_mm"] = 19 },
                                       /slides over crush washer \(19 mm outside\)/],
    "a seal wider than its guide" => ["drosselby-dk4", ->(one, test) { test.row(one, "parts", "DB 7840")["spec"]["od_mm"] = 60 },
                                      /is larger outside than rear guide/],
    "a step after nothing" => ["gravenhythe-gt", lambda { |one, test|
      test.step(one, "retainers")["after"] = ["plunger"]
    }, /no group or closing step “plunger”/],
    "a step that puts what is not there" => ["gravenhythe-gt", ->(one, test) { test.step(one, "retainers")["puts"] = { "retainer" => ["seal"] } },
                                             /has no layer “seal”/],
    "an axis of no stack" => ["silverow-sv", ->(one, _) { one["axes"][0]["stacks"][0]["stack"] = "rod" }, /no stack “rod”/],
    "a passage over nothing" => ["silverow-sv", ->(one, _) { one["axes"][0]["passed_by"][0]["to"] = "ceramic" }, /no stack of this axis has a layer/],
    "a sentence of what is not there" => ["gravenhythe-gt", ->(one, test) { test.row(one, "areas", "packings")["work"][0]["of"] = ["retainr"] },
                                          /no stack of this area has a layer “retainr”/],
    "anti-seize on what stays dry" => ["ulvskar-ux", lambda { |one, test|
      test.row(one, "stacks", "packing")["layers"].last["consumables"] = [{ "consumable" => "antiseize", "amount" => 1 }]
    }, /is set in dry, and takes antiseize/],
    "anti-seize on both faces" => ["ulvskar-ux", ->(one, test) { test.row(one, "stacks", "check_valve")["layers"].last["contact_faces"] = 2 },
                                   /takes that on 2 faces/],
    "grease where none may be" => ["ulvskar-ux", ->(one, test) { test.row(one, "stacks", "inlet_valve")["layers"][1]["lube"] = "grease" },
                                   /“no grease”, and it is set in with grease/],
    "a plastic head of brass" => ["twyfin-ob2", ->(one, _) { one["cautions"][0]["text"] = "The heads are brass." }, /manifold_material is plastic/],
    "another seal in the first step" => ["orlenhavn-sc3", lambda { |one, _|
      one["cautions"][0]["text"] = "The seal case's first step is where the high-pressure seal seats: a scratch there leaks."
    }, /seats high-pressure seal in seal case, where it does not sit/],
    "an order that begins at the rim" => ["gravenhythe-gt", ->(one, test) { test.row(one, "fasteners", "head_bolts")["order"].reverse! },
                                          /is it the order of loosening/],
    "a spring of other turns" => ["brackenholt-dw", ->(one, test) { test.row(one, "stacks", "suction_valve")["spring"].sub!("7 turns", "6 turns") },
                                  /is told to have a spring of 6.0 turns, its part has 7.0/],
    "a spring of another colour" => ["pellwick-tk4", ->(one, test) { test.row(one, "stacks", "discharge_valve")["spring"].sub!("black", "blue") },
                                     /is told to have a blue spring, its part is black/],
    "a cage of another colour" => ["pellwick-tk4", ->(one, test) { test.row(one, "stacks", "inlet_valve")["colour"] = "grey cage" },
                                   /is told to have a grey cage, its part is white/],
    "rings on each other's side" => ["wexmoor-wx", lambda { |one, test|
      test.row(one, "areas", "unloader")["work"][2] = "Split hard ring on the pointed side of the piston."
    }, /puts split hard ring on the pointed side, its layer on the flat side/],
    "marks through each other's port" => ["twyfin-ob2", lambda { |one, test|
      test.row(one, "groups", "heads2")["close"] = "The outlet's mark shows through the inlet port."
    }, /shows the outlet's mark through the inlet port/],
    "the ring before its backup" => ["quellby-va", lambda { |one, _|
      one["cautions"][0]["text"] = "Valve O-ring first, then the valve backup ring: else it leaks."
    },
                                     /names valve O-ring, valve backup ring; from/],
    "into another guide" => ["drosselby-dk4", lambda { |one, test|
      test.row(one, "stacks", "packing")["layers"].find do |layer|
        layer["slot"] == "lp_seal"
      end["inside"] = "front_guide"
    },
                             /puts low-pressure packing into rear guide; by its layer it sits in front guide/],
    "words that are not drawn" => ["drosselby-dk4", ->(one, test) { test.row(one, "stacks", "packing")["layers"][0].delete("opens_to") },
                                   /“flat side in” is not drawn/],
    "a bolt that is only finger-tight" => ["drosselby-dk4", ->(one, test) { test.row(one, "groups", "plunger_nuts")["close"] = "Nut finger-tight." },
                                           /“finger-tight” is said of plunger nuts M10, whose tightening is torque/],
    "the backup ring meets the pressure" => ["pellwick-tk4", lambda { |one, test|
      test.row(one, "areas", "discharge_valves")["work"] << "The cover piece backup ring meets the pressure first."
    }, /says that cover piece backup ring meets the pressure first/],
    "on the pump that is not back" => ["pellwick-tk4", lambda { |one, test|
      test.row(one, "groups", "top_plate").delete("on")
      test.swap(one["close_order"], 1, 2)
    }, /close_order.top_plate|stands before “manifold”/],
    "from outside inwards" => ["quellby-va", lambda { |one, test|
      test.row(one, "groups", "upper_cover")["close"].sub!("inside outwards", "outside inwards")
    },
                               /closed from inside outwards/]
  }.freeze

  PLANTED.each do |name, (series_id, change, words)|
    define_method(:"test_#{name.tr(' ', '_')}") do
      found = remarks(series_id) { |text| change.call(text, self) }
      assert(found.any?(words), "#{found.inspect} lacks #{words}")
    end
  end

  # Sentences that are right, or tell what happens otherwise: series, where, sentence.
  CALM = [
    %w[pellwick-tk4 packings] + ["Never put the high-pressure seal in with its hollow side out."],
    %w[pellwick-tk4 packings] + ["Out come, from the crankcase: rear guide, front guide, rear support ring, high-pressure seal, support ring."],
    %w[drosselby-dk4 packings] + ["The rear guide comes out first, then the front guide."],
    %w[drosselby-dk4 packings] + ["Oil the high-pressure packing; its lips look to the bottom of the bore."],
    %w[drosselby-dk4 plungers] + ["No mallet on a ceramic, and never a screwdriver in the bore."],
    %w[quellby-va inlet_valves] + ["The valve O-ring comes out first, then the valve backup ring."],
    %w[ulvskar-ux packings] + ["A hoop with its sharp side out cuts the seal."],
    %w[silverow-sv packings] + ["The lips of the high-pressure seal look to the discharge side."],
    %w[dunnagarth-pg packings] + ["The lip ring lies deepest, its lips to the bottom of the nut."],
    %w[wexmoor-wx unloader] + ["The piston's pointed side, with the soft seal, looks down into the bottom."],
    %w[brackenholt-dw inlet_valves] + ["The stiffer spring goes under the suction valve."]
  ].freeze

  def test_what_is_right_is_not_remarked
    CALM.each do |series_id, area, sentence|
      assert_empty remarks(series_id, Doctor::ROUNDS[1] + [Doctor::Orders]) { |one| row(one, "areas", area)["work"] << sentence }, sentence
    end
  end

  # A document of another shop, which says nothing of closing: nothing is asked of it.
  def test_a_document_that_says_nothing_of_closing
    assert_empty(remarks("drosselby-dk4") { |one| one.delete("axes") })
  end
end
