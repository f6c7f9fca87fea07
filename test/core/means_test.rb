# frozen_string_literal: true

require_relative "../support/core"

# What a hand takes, which piece a sentence names, what is smeared: rule by rule. Common practice, no source.
class MeansTest < Minitest::Test
  include DemoCatalogue

  Core = Gimlet::Core

  # @yield [document] breaks a copy of a series
  def worked(series, *areas, **job)
    document = document(series)
    yield document if block_given?
    built = Core::Catalogue::Build.call(document)
    catalogue = Core::Catalogue::Snapshot.new([built], version: "x")
    Core::Plan::Rebuild.new(catalogue, {}).call(catalogue.variants.first, scope: areas, **job)
  end

  def area(document, id) = document["areas"].find { |one| one["id"] == id }
  def group(document, id) = document["groups"].find { |one| one["id"] == id }
  def gaps(workup) = workup.gaps.map { |gap| "#{gap.place}: #{gap.text}" }
  def verbs(text) = Core::Assembly::Verbs.in(text).map(&:id)

  # Sentence, what it takes more than a hand for, and what the trade takes where no tool is named (nil: that cannot be said).
  VERBS = [
    ["Pull it out.", "draw", nil], ["Pry it up.", "pry", "small blunt blade"], ["Press it home.", "press", nil], ["Drive it in.", "drive", nil],
    ["Tap it home.", "tap", "mallet, soft"], ["Cut it off.", "cut", "sharp blade"], ["Hook it out.", "hook", "blunt hook"],
    ["Brush the thread.", "brush", "wire brush"], ["Blow the port clean.", "blow", "air line with a blow gun"],
    ["Wipe it dry.", "wipe", "clean cloth"],
    ["Drain the oil.", "drain", "drain pan"], ["Warm the bolt.", "warm", "hot-air gun"], ["Lap the face.", "lap", nil],
    ["Turn it in good light.", "light", "lamp"]
  ].freeze
  # Tools that sentences name.
  HAND_TOOLS = ["mallet", "hammer", "pliers", "hook", "screwdriver", "punch", "brush", "blade", "drift", "slide hammer", "pick", "lever", "puller",
                "socket extension", "wooden rod", "cloth", "vice", "box spanner", "guide pins", "cone", "driver"].freeze

  def test_each_verb_and_what_is_taken_for_it
    VERBS.each do |sentence, id, usual|
      assert_equal([[id, usual]], Core::Assembly::Verbs.in(sentence).map { |verb| [verb.id, verb.usual] }, sentence)
    end
  end

  # Names that only have the letters of another tool in them.
  def test_a_tube_is_no_tub
    { "drain" => "tube 64 outside as a driver", "blow" => "pry bars, pair", "draw" => "hook spanner", "tap" => "two broad screwdrivers",
      "press" => "screwdriver", "drive" => "screwdriver", "hook" => "hook spanner", "wipe" => "drag link",
      "light" => "slight oil" }.each do |id, name|
      refute_match Core::Assembly::Verbs::TABLE[id][:means], name, id
    end
    assert_includes worked("mastergarth-mg", "oil_seals").tools.map(&:name), "drain pan"
  end

  def test_each_hand_tool_is_known_by_its_name
    HAND_TOOLS.each do |word|
      found = Core::Assembly::HandTools.in("Take the #{word} to it.", "")
      assert_match found.fetch(word), word
      assert_empty Core::Assembly::HandTools.in("Never take the #{word} to it.", ""), word
      refute_includes Core::Assembly::HandTools.in("Take the #{word} to it.", "plunger #{word}"), word, "where a piece is called so"
    end
  end

  # Which of the usual acts are due.
  def test_usual_acts_are_said_where_they_are_due
    told = ->(series, *areas) { worked(series, *areas).steps.flat_map(&:text).join(" ") }
    assert_includes told.call("lumbarrow-lt", "packings"), "key slips", "head bolts take a hex key"
    refute_includes told.call("drosselby-dk4", "packings"), "key slips", "they take a socket"
    assert_includes told.call("ulvskar-ux", "rod_seals"), "Read each old seal", "a seal that is looked over is read too"
    refute_includes told.call("lumbarrow-lc", "inlet_valves"), "Read each old seal"
    assert_includes told.call("lumbarrow-lc", "packings"), "in the reverse of the order"
    refute_includes told.call("lumbarrow-lc", "inlet_valves"), "in the reverse of the order", "each cap is by itself"
    assert_includes told.call("lumbarrow-lc", "inlet_valves"), "Brush dirt away"
    assert_includes told.call("lumbarrow-lc", "packings"), "Wipe each plunger"
    refute_includes told.call("lumbarrow-lc", "packings", "plungers"), "Wipe each plunger"
    bare = worked("lumbarrow-lc", "plungers") { |document| group(document, "manifold")["disturbs"] = {} }
    refute_includes bare.steps.flat_map(&:text).join, "Lay the manifold over", "there is no seal to be reached"
    assert_equal([true, false], [%w[lumbarrow-lc packings], %w[dunnagarth-pg packings]].map do |job|
      told.call(*job).include?("Lay the manifold over")
    end)
  end

  def test_a_hand_is_not_asked_for_more_than_it_does
    assert_equal ["draw"], verbs("Pull the oil seals.")
    assert_equal %w[draw press], verbs("Pull the oil seals; press new ones in.")
    assert_empty verbs("Press them in by hand; pull the washer off by thumb.")
    assert_empty verbs("It never survives being drawn; do not pull it.")
    assert_empty verbs("Pressure ring, drive pin and drawing stay.")
    assert_equal ["press"], verbs("Never pull. Press the ring home.")
    assert_equal ["tap"], verbs("No hammer: tap it home.")
    assert_empty verbs("Two bolts are drawn alternately first.")
    assert_equal %w[brush blow], verbs("Blow or brush the dirt away.")
    assert_empty verbs("The cut-out looks outward.")
    assert_equal ["drive"], verbs("Drift the oil seals out.")
    assert_equal ["press"], verbs("Press new ones in with the drift.")
    assert_empty verbs("The spring pulls the poppet back; pressure drives it home.")
  end

  # A tool of another step is in another hand.
  def test_a_verb_without_its_means_says_so_on_the_card_and_to_whoever_writes
    without = ->(document) { area(document, "oil_seals")["tools"] -= %w[oil_puller] }
    workup = worked("drosselby-dk4", "oil_seals") do |document|
      without.call(document)
      area(document, "oil_seals")["work"][1] = "Pull the oil seals, press new ones in with the collar, spring side to the oil."
    end
    assert_includes workup.tools.map(&:name), "reversing pliers"
    assert_equal ["oil seals: what draws it is not told: name the tool, or “by hand”."], gaps(workup)
    assert_equal "What draws it is not on file: see the maker's manual.", workup.steps.find { |step| step.title == "oil seals" }.text.last
    assert_equal ["oil seals: uses “puller”, which is not among its tools: name it there."], gaps(worked("drosselby-dk4", "oil_seals", &without))
  end

  # What a sentence names lies on the bench, whether or not somebody wrote it into the list.
  def test_a_tool_that_only_a_sentence_names_is_listed_all_the_same
    workup = worked("lumbarrow-lc", "packings") { |document| area(document, "packings")["work"] << "Hold it in a vice; no hammer." }
    assert_equal ["packings: uses “vice”, which is not among its tools: name it there."], gaps(workup)
    assert_equal({ "vice" => "common practice" }, workup.tools.to_h { |tool| [tool.name, tool.why] }.slice("vice", "hammer"))
    assert_equal ["clean cloth"], worked("lumbarrow-lc", "packings").tools.map(&:name).grep(/cloth/), "one does for plungers and leak test"
    mallets = worked("drosselby-dk4", "packings", "oil_seals") do |document|
      area(document, "oil_seals")["work"] << "Tap the seal flush."
    end
    assert_equal ["mallet", "mallet, soft"], mallets.tools.map(&:name).grep(/mallet/), "those of the sheet, and no third"
  end

  def test_what_the_trade_takes_anyway_is_added_and_marked
    workup = worked("lumbarrow-lc", "packings")
    lamp = workup.tools.find { |tool| tool.name == "lamp" }
    assert_equal ["common", "common practice", nil], [lamp.kind, lamp.why, lamp.number]
    refute_includes worked("lumbarrow-lc", "inlet_valves").tools.map(&:name), "drain pan"
    refute(workup.steps.any? { |step| step.text.join.include?("not on file") }, "what the trade takes is no gap")
    assert_includes worked("lumbarrow-lc", "oil_seals").tools.map(&:name), "drain pan"
  end

  # A piece that is sold is fitted by a step; where the sheet has none it follows from the layer, and says so.
  def test_a_piece_that_no_sentence_names_gets_a_step
    workup = worked("silverow-sv", "discharge_valves") do |document|
      document["close_order"].find { |step| step["id"] == "adapters" }["text"] = "Adapters back."
    end
    derived = workup.steps.find { |step| step.title == "not on the sheet (derived)" }
    assert_equal ["renew", 4], [derived.phase, derived.text.size]
    assert(derived.text.all? { |text| text.match?(/\ANew adapter (O-ring|backup ring), (upper|lower);.* oil\.\z/) }, derived.text.inspect)
    assert_equal 4, gaps(workup).grep(/stacks.adapter: .* no sentence names it/).size
    refute(worked("silverow-sv", "discharge_valves").steps.any? { |step| step.title.include?("derived") })
  end

  # What sits in the pressure ring goes in by its mouth, hard gasket first; the list of the stack has it last.
  def test_derived_steps_stand_in_the_order_in_which_pieces_go_in
    workup = worked("harbolt-hb", "packings") { |document| area(document, "packings")["work"].pop }
    derived = workup.steps.find { |step| step.title == "not on the sheet (derived)" }.text
    assert_equal(%w[hard U-seal outer], derived.grep(/New upper/).map { |text| text[/hard|U-seal|outer/] })
  end

  # What is pulled off is not put on by that.
  def test_a_piece_that_is_only_taken_out_has_no_step
    workup = worked("lumbarrow-lc", "inlet_valves") do |document|
      group(document, "inlet_caps").merge!("open" => "Undo the cap, cap O-ring off.", "close" => "Cap with two drops of adhesive.")
    end
    assert_equal 1, gaps(workup).grep(/“cap O-ring” is renewed/).size
  end

  # "Cap with a new O-ring" is the ring on the cap; the one under the seat is another.
  def test_a_cap_speaks_of_what_sits_on_it
    seat = lambda do |document|
      area(document, "inlet_valves")["work"] = ["Lift the valve by its cage with reversing pliers.", "Valve assembly, cage to the cap."]
    end
    assert_equal ["stacks.inlet_valve: “seat O-ring” is renewed and no sentence names it: say where it goes in."],
                 gaps(worked("lumbarrow-lc", "inlet_valves", &seat))
    cap = ->(document) { group(document, "inlet_caps")["close"] = "Cap with two drops of adhesive." }
    assert_equal ["stacks.inlet_valve: “cap O-ring” is renewed and no sentence names it: say where it goes in."],
                 gaps(worked("lumbarrow-lc", "inlet_valves", &cap))
  end

  def test_what_is_used_is_listed_and_what_is_listed_is_used
    sold = worked("lumbarrow-lc", "inlet_valves") { |document| group(document, "inlet_caps")["close"] = "Cap with a new O-ring." }
    assert_equal ["consumables: “medium thread adhesive” is counted and no step uses it: say where it goes, or leave it out."], gaps(sold)
    used = worked("lumbarrow-lc", "packings") { |document| area(document, "packings")["work"] << "Anti-seize on the bolts, no grease on the brass." }
    assert_equal([["oil", nil], ["anti-seize", nil]], used.consumables.map { |one| [one.name, one.amount] })
  end

  # What a piece itself takes is used with that piece, whatever the sentences say.
  def test_what_a_piece_takes_needs_no_sentence
    workup = worked("twyfin-ob2", "plungers") do |document|
      area(document, "plungers")["work"] = ["Double-ended plunger in, its slot away from the valve pockets."]
      document["stacks"].find { |stack| stack["id"] == "plunger" }["layers"].each { |layer| layer["lube"] = "water" }
    end
    assert_includes workup.consumables.map(&:name), "thick waterproof grease"
    assert_empty gaps(workup)
  end

  # A sentence says "grease" of the one grease that there is.
  def test_a_general_word_is_the_particular_one_that_is_there
    names = ->(on_file, *texts) { Core::Assembly::Substances.new(on_file, texts, []).used.map(&:name) }
    silicone = Core::Tools::Used.new(name: "silicone grease", amount: 2, unit: "g")
    assert_equal ["silicone grease"], names.call([silicone], "Grease it.")
    assert_equal ["silicone grease"], names.call([], "Silicone grease on the ring; it goes in greased.")
    assert_equal ["silicone grease", "petroleum jelly"], names.call([silicone], "Petroleum jelly on the lip.")
    assert_equal ["grease"], names.call([], "Grease it.")
    assert_equal ["petroleum jelly"], names.call([], "Petroleum jelly on it; the greased piston goes in.")
    assert_empty names.call([], "Warm it to soften the adhesive; no grease on the thread.")
    assert_equal ["crankcase oil"], names.call([], "Fill the crankcase with fresh oil.")
  end

  # Whoever orders the tool would be sent the part.
  def test_one_number_is_one_thing
    told = lambda do |list, number|
      document = document("drosselby-dk4")
      document[list].find { |row| row["number"] }["number"] = number
      Core::Doctor::Goods.new(Core::Catalogue::Build.call(document), Core::Doctor::Known.new).call.select(&:error?).map { |one| "#{one.place} #{one.text}" }
    end
    assert_equal ["tools.DB 7710 stands under parts and tools: one number is one thing."], told.call("tools", "DB 7710")
    assert_equal ["consumables.DB KIT 71 stands under kits and consumables: one number is one thing."], told.call("consumables", "DB KIT 71")
    assert_empty told.call("tools", "DB T99")
  end

  # What is drawn beside the step, and what is in hand at it, are those of the work it passes.
  def test_work_on_the_way_has_its_own_stacks_and_tools
    passed = worked("drosselby-dk4", "oil_seals").steps.find { |step| step.title == "packings, on the way" }
    assert_equal [%w[packing], ["reversing pliers", "seal press"]], [passed.stacks, passed.tools]
  end

  # The pliers lie there for the packings, and are not in hand at the oil seals.
  def test_a_tool_of_another_step_is_not_in_hand
    workup = worked("drosselby-dk4", "oil_seals") { |document| area(document, "oil_seals")["work"] << "Hold it with pliers." }
    assert_equal ["oil seals: uses “pliers”, which is not among its tools: name it there."], gaps(workup)
    assert_equal 1, workup.tools.map(&:name).grep(/pliers/).size
  end

  # The two kinds of valve have a seat O-ring each: what is said of one is not said of the other.
  def test_a_sentence_speaks_of_the_pieces_of_its_own_work
    workup = worked("lumbarrow-lc", "inlet_valves", "discharge_valves") do |document|
      area(document, "inlet_valves")["work"] = ["Valve assembly, cage to the cap."]
    end
    assert_equal ["stacks.inlet_valve: “seat O-ring” is renewed and no sentence names it: say where it goes in."], gaps(workup)
  end

  def test_a_closing_step_without_words_names_nothing
    workup = worked("silverow-sv", "discharge_valves") { |document| document["close_order"].find { |step| step["id"] == "adapters" }.delete("text") }
    assert_equal 4, gaps(workup).grep(/stacks.adapter/).size
  end

  # A box spanner is a socket: it takes the same head.
  def test_a_box_spanner_fits_what_a_socket_fits
    wrong = lambda do |drive|
      document = document("harbolt-hb")
      document["traits"]["cap_drive"] = drive
      told = Core::Doctor::Places.new(Core::Catalogue::Build.call(document), Core::Doctor::Known.new).call
      told.map(&:place).include?("traits.cap_drive")
    end
    assert_equal [false, false, true, true], ["box spanner 17", "socket 17", "socket 19", "hex 17"].map(&wrong)
  end

  def test_the_doctor_asks_the_same
    document = document("lumbarrow-lc")
    area(document, "oil_seals")["work"] = ["Pull the oil seals, spring side to the oil."]
    area(document, "oil_seals")["tools"] = []
    told = Core::Doctor.call(Core::Catalogue::Build.call(document), vocabulary).map { |one| "#{one.level} #{one.place} #{one.text}" }
    assert_includes told, "warning lumbarrow-lc areas.oil_seals oil seals: what draws it is not told: name the tool, or “by hand”."
    group(document, "inlet_caps")["close"] = "Cap on, two drops of adhesive."
    told = Core::Doctor.call(Core::Catalogue::Build.call(document), vocabulary).map { |one| "#{one.level} #{one.place} #{one.text}" }
    assert_includes told, "warning lumbarrow-lc stacks.inlet_valve “cap O-ring” is renewed and no sentence names it: say where it goes in."
  end
end
