# frozen_string_literal: true

require_relative "../support/core"

# What makes a rebuild dangerous or useless when it is done the other way, said in the job that needs it and in no other words elsewhere.
# Common practice of each construction, no source.
class BewareTest < Minitest::Test
  include DemoCatalogue

  Core = Gimlet::Core

  # Pump, agreed work => words that its card must have.
  JOBS = {
    ["TK4L20 from 31000", "discharge_valves"] => ["the thread is in the cage's closed top, which looks up",
                                                  "The O-ring meets the pressure first, the backup ring is behind it",
                                                  "With the manifold on the pump", "its back clean"],
    ["TK4L20 from 31000", "packings"] => ["until it clicks home in the head", "gripping no deeper than the guide", "have help", "count both places"],
    %w[VA-20 inlet_valves] => ["A seat that stayed behind: pusher tool below it, slide hammer on the pusher",
                               "Backup ring first, then the valve O-ring"],
    %w[DK420 packings] => ["grasp the seal under the guide, side to side while pulling", "a mallet and two screwdrivers at opposite sides"],
    %w[DK420 plungers] => ["a new plunger gets a new one", "Onto the rod: O-ring, slinger, plunger, new crush washer, nut",
                           "The nut's thread is cleaned"],
    %w[RPL15 packings] => ["its scraper ring go into the rear guide, scraper upwards"],
    %w[RPL15 inlet_valves] => ["fully down in the port before the valve goes in"],
    %w[RPL15 plungers] => ["Onto the rod: O-ring, slinger, plunger", "A trace of oil under the O-ring"],
    ["NDL20 from 5200", "discharge_valves"] => ["The valve faces inward", "Brush the cap's thread, its O-ring off first"],
    ["NDL20 from 5200", "plungers"] => ["Onto the rod: O-ring, slinger, plunger"], %w[LT14 plungers] => ["Onto the rod: O-ring, slinger, plunger"],
    %w[LC15 plungers] => ["Onto the rod: O-ring, slinger, plunger"],
    %w[HBL20 inlet_valves] => ["and last, outermost below, the seat, flat side down and out of the valve", "The O-ring meets the pressure first"],
    %w[HBL20 packings] => ["then upper outer gasket, which faces the intermediate ring", "Turn the shaft both ways at the end"],
    %w[SC325L packings] => ["the low-pressure seal seats on the first step", "gasket is renewed with every seal job"],
    %w[SC325L plungers] => ["The tabbed seal retainers come out first", "tab down"],
    %w[LT14 packings] => ["intermediate ring, bevel in, into the bore", "Check all rods tight", "Leak test"],
    %w[LC15 packings] => ["cup seal, lip in, or it leaks", "seated by its outer edge"],
    %w[SV20 packings] => ["so that its lips look to the discharge side, where the pressure is", "The inlet manifold goes over the bare rods",
                          "flat end first", "then only tighter, to the next hole"],
    %w[GT2-25 oil_seals] => ["collet and slide hammer", "Packing retainers onto the oiled plungers first", "the two last go in where the pins were"],
    %w[TJ14L plungers] => ["all sit on the plunger bolt", "support pins", "flinger"],
    %w[MGL40 plungers] => ["two outer bolts of the top row out first and put the support pins in their place", "Nobody's hand or face in their line"],
    %w[MGL40 packings] => ["The packing spacers are spring-loaded", "Undo the four bolts, lift the top cover off",
                           "Springs over the plungers, spacers into the manifold"],
    %w[CB36-12 inlet_valves] => ["up is out of the port that lies uppermost", "cage faces up"], %w[CB36-12 discharge_valves] => ["seat faces up"],
    %w[CB36-12 shaft_bearing] => ["the force goes through its inner ring only", "renewed only if bent"],
    %w[OB214 inlet_valves] => ["nearest the manifold, stem down to its spring", "they drop when undone"],
    %w[OB214C packings] => ["out of the guide and into the head, towards the pressure", "the outlet's mark shows through the outlet port",
                            "cut-out outward"],
    %w[DW50 packings] => ["The first head goes on with its valves and is tightened", "driven until it bottoms in the first head"],
    %w[UX3800 packings] => ["four of each", "none on the bronze backup", "Anti-seize on the cylinder's one face away from the check valve",
                            "grit kills the new seals"],
    %w[UX3800 discharge_valves] => ["From the outlet: spring, poppet", "never on the face that meets the poppet",
                                    "The valve body's face may be lapped"],
    %w[PG50L packings] => ["it is off before the nut comes out", "With the plunger in and the covers on: tight again",
                           "Threads of plunger and coupling lubricated"],
    %w[PG50L oil_seals] => ["Two oil rings on top of the packing retainer", "only with the plunger in and the retainer set true to it"],
    %w[PG50L inlet_valves] => ["Before starting, set the seats by pressure", "set square to the plunger"],
    %w[WX20 unloader] => ["the wrong way round there is no pressure at all", "The bottom disc goes back first, with its ring, and lies flat",
                          "it flies"]
  }.freeze

  def told(id, area)
    pump = variant(id)
    teardown = Core::Teardown.of(pump, [area])
    layers = teardown.places.map(&:stack).uniq.flat_map { |stack| stack.layers_of(pump).flat_map { |layer| Core::Catalogue::LayerFields.in_words(layer) } }
    tools = Core::Tools::ToolList.new(teardown, []).tools.map(&:name)
    [*Core::Plan::Cautions.for(teardown, snapshot), *Core::Plan::Steps.for(teardown).flat_map(&:text), *layers, *tools].join(" ")
  end

  JOBS.each do |(id, area), sentences|
    define_method(:"test_#{area}_of_#{id.tr(' ', '_')}") do
      text = told(id, area)
      assert_empty(sentences.reject { |sentence| text.include?(sentence) })
    end
  end

  # What holds for every pump stands on every card.
  def test_what_every_card_says
    snapshot.variants.uniq(&:series).each do |pump|
      pump.series.areas_of(pump).each do |area|
        text = told(pump.id, area.id)
        assert_includes text, "no metal tool touches a bore, a ceramic or a seal face", "#{pump.id} #{area.id}"
        assert_match(/Drain the oil (?:first|before)/, text, pump.id) if area.id == "oil_seals"
      end
    end
  end

  # A caution of work that is not done stays away.
  def test_a_caution_of_other_work_is_not_said
    refute_includes told("PG50L", "packings"), "Bleed the seat puller's hose"
    refute_includes told("WX20", "unloader"), "manifold"
    %w[packings inlet_valves].each do |area|
      assert_empty ["spring-down", "spring down", "PTFE", "captive"].select { |words| told("OB214C", area).include?(words) }, "of loose poppets"
      assert_empty ["U-cup", "cut-out", "film of water"].select { |words| told("OB214", area).include?(words) }, "of one-piece valves"
    end
  end
end
