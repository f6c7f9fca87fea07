# frozen_string_literal: true

require_relative "../../core/desk/code"
require_relative "../../core/0_quantities/money"
require_relative "../../exchange/paper/labels"
require_relative "../../present/lent_tool"

module Gimlet
  module API
    module Routes
      # Tools that are lent, each by its own tag.
      module Tools
        # What routes here need besides the application's own.
        module Helpers
          def tool_label(tool)
            Exchange::Paper::Labels::Label.new(code: Core::Desk::Code.new(kind: "tool", value: tool.tag).to_s, strong: tool.tag,
                                               lines: [tool.name, "shelf #{tool.shelf}", "lent: bring it back"])
          end

          def tool_view(tool) = Present::LentTool.call(tool, Store::Clock.today)

          def tool_named(number)
            reference.snapshot.series.flat_map(&:tools).find { |tool| tool.number == number } ||
              Core::InputError.reject("number", "unknown_tool", "No catalogue has a tool #{number}: see how its sheet writes it.")
          end

          def add_tool(body)
            tag, number, shelf = body.values_at("tag", "number", "shelf").map { |text| text.to_s.strip.upcase }
            added = tools.add(tag: tag, number: number, name: tool_named(number).name, shelf: shelf,
                              deposit_cents: Core::Money.cents(body["deposit"], field: "deposit"))
            added || Core::InputError.reject("tag", "taken", "There is a tool with the tag #{tag} already.")
            noted_as("tool", added: tag, number: number)
            tag
          end
        end

        def self.registered(app)
          app.helpers Helpers
          app.serve("tools") { render_json(tools.all.map { |tool| tool_view(tool) }) }
          app.serve("toolLabels") { printed("Labels", "tools", tools.all.map { |tool| tool_label(tool) }) }
          app.serve("addTool") do
            body = body_as("NewTool")
            render_json(tool_view(tools.find(once(body) { add_tool(body) })), 201)
          end
        end
      end
    end
  end
end
