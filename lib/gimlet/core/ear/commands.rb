# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Ear
    # What can be typed that is no word about the pump. The line asks for them before it is heard.
    #
    # A line is a command when it is one of its `words`, followed by what it `takes`: "nothing", a "reason", a "name", the number of a "line" of
    # the call; an "answer" is a bare figure where the open question is not answered by one itself. On a ticket that is an order already only those of
    # AFTERWARDS do anything.
    module Commands
      Command = Value.of(:id, :words, :takes, :does, :afterwards)

      AFTERWARDS = %w[card carry_on another_job].freeze

      ALL = [
        ["answer", [], "answer", "the answer of that number"], ["unsure", ["?"], "nothing", "not sure: the next question"],
        ["carry_on", ["", "ok"], "nothing", "goes on to the next answer, agreeing the work"], ["card", ["card"], "nothing", "the work card"],
        ["save", ["save"], "reason", "saves the order; with a reason where it is not sure"],
        ["quote", ["quote"], "reason", "saves it as a quote of two weeks; with a reason where it is not sure"],
        ["again", ["same again", "as last time"], "nothing", "a new ticket as the customer's last order"],
        ["another_job", ["another pump", "next pump"], "nothing", "another kind of pump in the same call: a ticket of its own beside this one"],
        ["sighted", ["not on file", "none of these"], "nothing", "no sheet here has this pump: keeps it as it was said; they hear within a week"],
        ["stands", ["stands"], "reason", "the doubt stands, for this reason"], ["strike", ["strike"], "line", "takes back that line, or the last"],
        ["bring_back", ["back"], "line", "brings back that line, or the last"],
        ["new_customer", ["new customer"], "name", "writes down a customer, place and phone behind commas, and names them"]
      ].map { |id, words, takes, does| Command.new(id: id, words: words, takes: takes, does: does, afterwards: AFTERWARDS.include?(id)) }.freeze
    end
  end
end
