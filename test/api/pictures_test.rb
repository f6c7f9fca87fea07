# frozen_string_literal: true

require_relative "../support/http"

# What the API draws: the thing to look at, what each answer looks like, who is told apart by what, and where it drips.
class PicturesApiTest < Minitest::Test
  include Http

  def identify(text, channel: "phone") = send_json("POST", "/api/identify", { text: text, channel: channel })
  def open_ticket(line) = send_json("POST", "/api/tickets", entry("said", words: line))
  def kinds(picture) = picture["views"].flat_map { |view| view["marks"].map { |mark| mark["kind"] } }.uniq

  def test_each_answer_is_drawn_on_a_pump_that_has_it
    question = identify("three ceramic plungers, brass head, 8 bolts, green")["next_questions"].first
    assert_schema "Identification"
    assert_equal "sight_glass", question["trait"]
    pictured = question["answers"].select { |answer| answer["picture"] }
    assert_operator pictured.size, :>=, 2
    pictured.each do |answer|
      pump = answer["picture"]["pump"]
      assert_equal ["sight_glass"], answer["picture"]["marked"], pump
      get "/api/catalogue/#{series_of(pump)}"
      told = [json["traits"], *json["models"].map { |model| model["traits"] }, *(json["serial_breaks"] || []).flat_map do |one|
        one.values_at("traits_before", "traits_from")
      end]
      assert_includes told.compact.filter_map { |traits| traits["sight_glass"] }, answer["value"], pump
    end
    assert_nil question["answers"].find { |answer| answer["value"] == "none of these" }["picture"]
  end

  def series_of(pump) = app.helpers.shop.references.current.snapshot.variants.find { |one| one.id == pump }.series.id

  def test_only_the_question_that_is_asked_is_drawn
    _, *others = identify("three plungers, brass head, 8 bolts")["next_questions"]
    refute_empty others
    assert_empty others.flat_map { |question| [question["picture"], *question["answers"].map { |answer| answer["picture"] }] }.compact
  end

  def test_sizes_have_no_pictures
    found = identify("plate TK4L??, hex 6, 8 bolts, serial 32000, green, three ceramic plungers, brass head", channel: "counter")
    questions = found["next_questions"].select { |one| one["trait"].end_with?("_mm") }
    refute_empty questions
    assert_empty(questions.flat_map { |one| one["answers"].filter_map { |answer| answer["picture"] } })
  end

  # One for each series, from the front and from the side, with what is not alike.
  def test_leaders_stand_side_by_side
    faces = identify("three ceramic plungers, brass head, 8 bolts")["faces"]
    assert_operator faces.size, :>=, 2
    assert_equal(faces.map { |one| one["series"] }.uniq, faces.map { |one| one["series"] })
    faces.each { |one| assert_equal(%w[front side], one["views"].map { |view| view["id"] }) }
    told = faces.map { |one| one["seen"].to_h { |row| row.values_at("trait", "text") } }
    shared = told.map(&:keys).reduce(:&)
    assert_operator shared.size, :>=, 1
    assert(shared.all? { |trait| told.map { |one| one[trait] }.uniq.size > 1 }, "what is alike is not told")
    assert_empty identify("plate TK4L20, serial 32000")["faces"], "one series has nothing beside it"
  end

  # A pump that does not leak is not asked where it drips; one that does shows it on its own side view.
  def test_where_it_drips_is_asked_of_a_leak_alone
    assert_nil open_ticket("plate TK4L20, serial 32000, 15 lpm, green, pulses, packings")["drips"]
    drips = open_ticket("plate DK420, 17.6 lpm, grey, water leaks, packings")["drips"]
    assert_schema "TicketView"
    left, bottom, width, height = drips["view"]["box"]
    drips["places"].each { |one| assert one["x_mm"].between?(left, left + width) && one["y_mm"].between?(bottom, bottom + height), one["id"] }
    assert_includes drips["places"].map { |one| one["id"] }, "cap"
    again = send_json("POST", "/api/tickets/2/entries", entry("said", words: drips["places"].find { |one| one["id"] == "weep_hole" }["say"]))
    assert_includes again["ticket"]["complaints"], "weep hole wet"
  end

  # Bolts, caps and cylinders of a plan are drawn with the positions that they hold.
  def test_a_plan_shows_the_pump_with_its_positions
    send_json("POST", "/api/plan", { model: "DK420", scope: ["packings"] })
    assert_schema "Plan"
    front = json["outside"].find { |view| view["id"] == "front" }
    assert_equal(["cylinder 1", "cylinder 2", "cylinder 3"], front["marks"].select do |mark|
      mark["kind"] == "plunger"
    end.flat_map { |mark| mark["at"] })
    assert_equal ["inlet valve 1", "inlet valve 2", "inlet valve 3"], front["marks"].select { |mark| mark["kind"] == "cap" && mark["at"] != [] }
                                                                                    .flat_map { |mark| mark["at"] }.grep(/inlet/).uniq.sort
  end
end
