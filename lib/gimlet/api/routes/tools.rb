# frozen_string_literal: true

require_relative "../../core/desk/deposit"
require_relative "../../exchange/paper/labels"
require_relative "../../present/lent_tool"

module Gimlet
  module API
    module Routes
      # Tools that are lent, each by its own tag.
      module Tools
        def self.registered(app)
          app.serve("tools") { answer(tools.all.map { |tool| Present::LentTool.call(tool, Store::Clock.today) }) }

          app.serve("toolLabels") do
            labels = tools.all.map do |tool|
              Exchange::Paper::Labels::Label.new(code: "TOOL #{tool.tag}", strong: tool.tag, lines: [tool.name, "shelf #{tool.shelf}", "lent: bring it back"])
            end
            printed(Exchange::Paper::Labels.call(labels, paper: params["paper"] || "A4"), "tools")
          end

          app.serve("addTool") do
            body = body_as("NewTool")
            tag, number, shelf = body.values_at("tag", "number", "shelf").map { |text| text.to_s.strip.upcase }
            named = reference.snapshot.series.flat_map(&:tools).find { |tool| tool.number == number } ||
                    Core::InputError.reject("number", "unknown_tool", "No catalogue has a tool #{number}: see how its sheet writes it.")
            cents = Core::Desk::Deposit.cents(body["deposit"])
            tools.add(tag: tag, number: number, name: named.name, shelf: shelf, deposit_cents: cents) ||
              Core::InputError.reject("tag", "taken", "There is a tool with the tag #{tag} already.")
            Store::History.new(database).note("tool", { added: tag, number: number }, who: who_asks)
            answer(Present::LentTool.call(tools.find(tag), Store::Clock.today), 201)
          end
        end
      end
    end
  end
end
