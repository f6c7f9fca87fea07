# frozen_string_literal: true

require_relative "../../counter/choose_valve"
require_relative "../../counter/measure_flow"
require_relative "../../counter/measure_seal"
require_relative "../../exchange/reference_files"
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
          def measure_seal
            Gimlet::Counter::MeasureSeal.new(reference.snapshot, stock.all, standards: Exchange::ReferenceFiles::STANDARDS, fit: Exchange::ReferenceFiles::FIT)
          end

          def material_view(told)
            table = Exchange::ReferenceFiles::ELASTOMERS
            elastomer = table.find(told["material"]) ||
                        Core::InputError.reject("material", "unknown_material",
                                                "“#{told['material']}” is no material known here: #{table.elastomers.map(&:id).join(', ')}.")
            { material: elastomer.id, name: elastomer.name,
              answers: table.call(elastomer, medium: told["medium"], temperature_c: told["temperature_c"], lubricant: told["lubricant"]).map(&:to_h) }
          end
        end

        def self.registered(app)
          app.helpers Helpers
          app.post("/api/measure/seal") { answer(Present::MeasuredSeal.call(measure_seal.call(body_as("MeasureSeal")))) }

          app.post("/api/measure/valves") do
            answer(Present::ChosenValve.call(Gimlet::Counter::ChooseValve.new(reference.snapshot).call(body_as("ChooseValve")), stock.all))
          end

          app.post("/api/measure/materials") { answer(material_view(body_as("AskMaterial"))) }

          app.post("/api/measure/flow") do
            body = body_as("MeasureFlow")
            answer(Present::MeasuredFlow.call(Gimlet::Counter::MeasureFlow.new(reference.snapshot).call(body), body["units"] || {}))
          end
        end
      end
    end
  end
end
