# frozen_string_literal: true

require_relative "../support/system"

# Several kinds of pump in one call, by keyboard, from the first word to the bench.
class JobsTest < SystemTest
  PUMPS = [["plate TK4R20, serial 31500, 15 lpm, green, packings, 2 pumps", "TK4R20"], ["plate DK418, 18 mm plunger, 13.5 lpm, packings", "DK418"],
           ["plate PG50L, 50 mm plunger, packings", "PG50L"]].freeze

  def test_three_kinds_from_call_to_bench
    visit "/"
    say "new customer Östlund Quay, Skarrow, 0160 442 118"
    assert_text "Östlund Quay"
    PUMPS.each_with_index do |(line, pump), at|
      next_pump(at) if at.positive?
      say line
      assert_selector "section[aria-label=Pump]", text: pump
      2.times { say "" }
      assert_text "Why each part"
      save_whatever_it_takes
      assert_text "Order #{at + 1} is saved"
    end
    one_set_of_tools
    together
    at_the_bench
  end

  def next_pump(at)
    find_field("What you hear").send_keys("another pump", :enter)
    assert_current_path %r{/tickets/#{at + 1}\z}
    assert_selector "section[aria-label='In this call']", text: PUMPS[at - 1].last
    assert_text "Östlund Quay"
  end

  # A doubt about a lone plate, or a piece that is not there, takes a reason.
  def save_whatever_it_takes
    say "save as it stands on the plate"
  end

  # The call's tray has one set of tools, and each is for whom it is.
  def one_set_of_tools
    within("section[aria-label='In this call']") do
      find("summary", text: /tools for all of them/).click
      assert_text(/torque wrench .*: TK4R20.*DK418/)
    end
  end

  def together
    visit "/orders/2"
    assert_text "In the same call: order 1, TK4R20"
    assert_text "order 3, PG50L"
    assert_accessible
  end

  def at_the_bench
    visit "/orders/3/bench"
    assert_text "PG50L"
    assert_no_text "DK418"
  end
end
