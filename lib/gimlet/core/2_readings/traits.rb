# frozen_string_literal: true

require_relative "../value"

module Gimlet
  module Core
    # What is seen, read or measured, and how it is said.
    module Readings
      # Something that can be seen, read or measured on a pump.
      # `kind` is :counted, :chosen, :measured, :rated, :plate, :serial or :number; `unit` is what the catalogue keeps it in.
      # `confusion` is how often a caller names a wrong value (common practice, no source).
      # `seconds` is what asking costs by channel; a channel left out cannot answer.
      Trait = Value.of(:id, :name, :kind, :unit, :say, :confusion, :seconds, :wears)

      CHANNELS = { "phone" => "on the phone", "counter" => "pump on the counter",
                   "parts" => "only old parts in hand", "photo" => "photo" }.freeze

      # Seconds to answer: on the phone, at the counter, from a photo; parts in hand show only what is listed.
      def self.seconds(phone, counter, photo = nil, parts: nil)
        { "phone" => phone, "counter" => counter, "photo" => photo, "parts" => parts }.compact.freeze
      end

      rows = [
        [:plate, "plate", :plate, nil, "What can you still read on the plate, letter by letter?", 0.01, seconds(45, 15, 10)],
        [:serial, "serial number", :serial, nil, "Is there a serial number? Read me the figures.", 0.02, seconds(40, 15, 20)],
        [:maker, "maker", :chosen, nil, "Is there a maker's name cast or stuck on it?", 0.05, seconds(15, 5, 5)],
        [:series, "series mark", :chosen, nil, "Is a series cast into the crankcase?", 0.05, seconds(20, 6, 8)],
        [:cylinders, "cylinders", :counted, nil, "How many plungers does it have?", 0.05, seconds(12, 4, 5)],
        [:head_bolts, "head bolts", :counted, nil, "How many bolts hold the head?", 0.05, seconds(12, 4, 5)],
        [:head_bolt_drive, "head bolt drive", :chosen, nil, "Which key or socket fits the head bolts?", 0.05, seconds(35, 12)],
        [:valve_caps, "valve caps", :counted, nil, "How many screwed valve caps can you see?", 0.05, seconds(15, 5, 6)],
        [:cap_drive, "valve cap drive", :chosen, nil, "Which key or socket fits the valve caps?", 0.05, seconds(35, 12)],
        [:cap_location, "where the valve caps sit", :chosen, nil, "Where do the valve caps sit?", 0.06, seconds(18, 4, 5)],
        [:plunger_mm, "plunger diameter", :measured, "mm", "How thick is a plunger?", 0.03, seconds(120, 60, parts: 15), true],
        [:plunger_material, "plunger material", :chosen, nil, "Are the plungers white ceramic or metal?", 0.05,
         seconds(30, 20, 10, parts: 3)],
        [:plunger_held_by, "what holds the plunger", :chosen, nil, "What holds the plunger on: a nut, a bolt, or nothing?",
         0.06, seconds(90, 45, parts: 5)],
        [:shaft_kind, "shaft", :chosen, nil, "Is the shaft solid or hollow?", 0.05, seconds(12, 3, 5)],
        [:shaft_side, "shaft side", :chosen, nil,
         "Looking at the head with the plungers level: which side is the shaft?", 0.10, seconds(15, 3, 5)],
        [:shaft_mm, "shaft diameter", :measured, "mm", "How thick is the shaft?", 0.03, seconds(60, 20)],
        [:inlet_port, "inlet port", :chosen, nil, "What thread is the inlet?", 0.08, seconds(40, 15)],
        [:manifold_material, "head material", :chosen, nil,
         "Is the head yellow brass, grey aluminium or bright stainless?", 0.05, seconds(10, 3, 5)],
        [:sight_glass, "oil sight glass", :chosen, nil, "Where is the oil sight glass?", 0.05, seconds(12, 3, 6)],
        [:cover_colour, "crankcase cover colour", :chosen, nil, "What colour is the crankcase cover?", 0.06, seconds(8, 3, 4)],
        [:part_number, "old part or kit number", :number, nil, "Is there a number on an old part, a kit bag or an invoice?", 0.03,
         seconds(60, 30, 30, parts: 10)],
        [:seal_id_mm, "seal inner diameter", :measured, "mm", "How wide is the seal inside?", 0.03, seconds(180, 90, parts: 12)],
        [:seal_od_mm, "seal outer diameter", :measured, "mm", "How wide is the seal outside?", 0.03, seconds(180, 90, parts: 12)],
        [:seal_height_mm, "seal height", :measured, "mm", "How high is the seal?", 0.03, seconds(180, 90, parts: 12)],
        [:valve_od_mm, "valve diameter", :measured, "mm", "How wide is the valve or its seat outside?", 0.03, seconds(180, 90, parts: 12)],
        [:oring_id_mm, "O-ring inner diameter", :measured, "mm", "How wide is the O-ring inside?", 0.03, seconds(180, 90, parts: 14)],
        [:oring_section_mm, "O-ring section", :measured, "mm", "How thick is the O-ring?", 0.03, seconds(180, 90, parts: 14)],
        [:spring_turns, "valve spring turns", :counted, nil, "How many turns has the valve spring?", 0.05, seconds(180, 90, parts: 10)],
        [:spring_colour, "valve spring colour", :chosen, nil, "What colour is the valve spring?", 0.05, seconds(180, 90, parts: 5)],
        [:mass_kg, "mass", :measured, "kg", "What does the pump weigh?", 0.05, seconds(90, 60)],
        [:flow_l_min, "rated flow", :rated, "L/min", "Do the papers or the machine's plate give a flow?", 0.05, seconds(40, 25, 15)],
        [:pressure_bar, "rated pressure", :rated, "bar", "Do the papers give a pressure?", 0.06, seconds(30, 20, 15)],
        [:speed_rpm, "rated speed", :rated, "rpm", "What speed is it driven at?", 0.06, seconds(30, 20, 15)]
      ]

      # Every trait by id, in the order a specialist looks.
      TRAITS = rows.to_h do |id, *others|
        [id.to_s, Trait.new(**Trait.members.zip([id.to_s, *others]).to_h)]
      end.freeze
    end
  end
end
