# frozen_string_literal: true

require_relative "../../counter/ask_material"
require_relative "../../counter/choose_valve"
require_relative "../../counter/measure_flow"
require_relative "../../counter/measure_seal"
require_relative "../../present/chosen_valve"
require_relative "../../present/measured_flow"
require_relative "../../present/measured_seal"

module Gimlet
  module API
    module Routes
      # The measuring bench: seals by their sizes, flow and pressure, valves.
      module Measuring
        # What routes here need besides the application's own.
        module Helpers
          def measure_seal = Gimlet::Counter::MeasureSeal.new(reference.snapshot, stock.all, reference.tables)
          def ask_material = Gimlet::Counter::AskMaterial.new(reference.tables.elastomers)

          def material_view(found)
            { material: found.elastomer.id, name: found.elastomer.name, verdict: found.verdict, answers: found.answers.map(&:to_h) }
          end
        end

        def self.registered(app)
          app.helpers Helpers
          app.serve("measureSeal") { render_json(Present::MeasuredSeal.call(measure_seal.call(body_as("MeasureSeal")))) }

          app.serve("chooseValve") do
            render_json(Present::ChosenValve.call(Gimlet::Counter::ChooseValve.new(reference.snapshot).call(body_as("ChooseValve")), stock.all))
          end

          app.serve("askMaterial") { render_json(material_view(ask_material.call(body_as("AskMaterial")))) }

          app.serve("measureFlow") do
            body = body_as("MeasureFlow")
            render_json(Present::MeasuredFlow.call(Gimlet::Counter::MeasureFlow.new(reference.snapshot).call(body), body["units"] || {}))
          end
        end
      end
    end
  end
end
