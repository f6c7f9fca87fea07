# frozen_string_literal: true

# Typing at the counter, for the classes that drive a browser; they say how a line is typed.
module CounterLine
  # What is not covered takes a reason.
  def save_order
    say "save"
    assert_text(/Say why the order is placed|is saved/)
    find_field("What you hear").send_keys([:control, "a"], "save the rest is to follow", :enter) if page.has_text?("Say why the order is placed",
                                                                                                                   wait: 0)
  end
end
