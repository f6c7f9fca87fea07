# frozen_string_literal: true

require_relative "../support/core"
require "gimlet/core/order/moments"

# The card at the bench goes by the order of the work: what is built up and what is tightened stands beside the step that needs it, for every pump of
# the demo and every area of it.
class BenchLinesTest < Minitest::Test
  include DemoCatalogue

  Log = Gimlet::Core::Bench::Log

  def jobs
    snapshot.variants.uniq(&:series).flat_map { |pump| pump.series.areas_of(pump).map { |area| [pump, area] } }
  end

  def steps(pump, *areas) = Gimlet::Core::Plan::Steps.for(Gimlet::Core::Teardown.of(pump, areas.map(&:id)))

  # What is agreed is built up at its own step, with all of its stacks.
  def test_the_stacks_of_an_area_stand_beside_its_work
    jobs.each do |pump, area|
      agreed = steps(pump, area).find { |step| step.phase == "renew" && step.title == area.name }
      assert_equal area.stacks, agreed.stacks, "#{pump.id} #{area.id}" if agreed
    end
  end

  # Whatever is opened for an area is tightened at a step of closing.
  def test_every_fastener_is_tightened_at_a_step
    jobs.each do |pump, area|
      teardown = Gimlet::Core::Teardown.of(pump, [area.id])
      asked = teardown.fasteners.flat_map { |fastener| Gimlet::Core::Tightening::Instruct.call(fastener, pump, unit: "N·m") }.map(&:id)
      told = steps(pump, area).select { |step| step.phase == "close" }.flat_map(&:fasteners)
      assert_empty asked - told, "#{pump.id} #{area.id}"
    end
  end

  def test_only_closing_tightens_and_only_renewing_builds_up
    jobs.each do |pump, area|
      steps(pump, area).each do |step|
        assert_empty step.fasteners, "#{pump.id} #{step.title}" unless step.phase == "close"
        assert_empty step.stacks, "#{pump.id} #{step.title}" unless step.phase == "renew"
      end
    end
  end

  RECORD = { "cautions" => [], "signs" => [], "parts" => { "lines" => [], "unfilled" => [], "surplus" => [] }, "held" => [], "tools" => [],
             "consumables" => [], "count_out" => [{ "where" => "bore", "name" => "ring", "from" => ["left"] }], "keep" => [], "refit" => nil,
             "stacks" => [{ "id" => "packing" }, { "id" => "valve" }],
             "tightening" => [{ "fastener" => "head_bolts" }, { "fastener" => "caps" }], "steps" => [
               { "phase" => "renew", "title" => "packings", "text" => ["In first."], "stacks" => ["packing"], "tools" => [], "fasteners" => [] },
               { "phase" => "renew", "title" => "packings again", "text" => ["In last."], "stacks" => ["packing"], "tools" => [], "fasteners" => [] },
               { "phase" => "close", "title" => "manifold", "text" => ["On straight."], "stacks" => [], "tools" => [],
                 "fasteners" => ["head_bolts"] },
               { "phase" => "finish", "title" => "start", "text" => ["Run it."], "stacks" => [], "tools" => [], "fasteners" => [] }
             ] }.freeze

  def moments(record) = Gimlet::Core::Order::Moments.of(record).map { |one| [one.title, one.lines.size, one.stacks, one.fasteners, one.refit] }

  # What is in hand is said where no sentence names it.
  def test_what_is_in_hand_is_said_once
    step = { "phase" => "renew", "title" => "packings", "text" => ["Draw it with the hook.", "Home by hand."], "stacks" => [], "fasteners" => [],
             "tools" => %w[hook lamp] }
    said = Gimlet::Core::Order::Lines.of(RECORD.merge("count_out" => [], "steps" => [step])).find do |section|
      section.key == "renew"
    end.lines.first.sentences
    assert_equal ["Draw it with the hook.", "Home by hand.", "In hand: lamp."], said
    none = Gimlet::Core::Order::Lines.of(RECORD.merge("count_out" => [], "steps" => [step.merge("tools" => ["hook"])]))
    assert_equal 2, none.find { |section| section.key == "renew" }.lines.first.sentences.size
  end

  # A drawing and a torque stand once, beside the line that first names them; what no line names stands where it is still in time.
  def test_one_thing_to_do_after_the_other
    assert_equal [["Renew", 1, %w[packing], [], false], ["Renew", 1, [], [], false], ["Which way round", 0, %w[valve], [], false],
                  ["Before the manifold goes on", 0, [], [], true], ["Close", 1, [], %w[head_bolts], false], ["Tighten", 0, [], %w[caps], false],
                  ["Start again", 1, [], [], false]], moments(RECORD.merge("refit" => { "text" => "level" }, "count_out" => []))
    named = RECORD.merge("stacks" => RECORD["stacks"].take(1), "tightening" => RECORD["tightening"].take(1), "count_out" => [])
    assert_equal %w[Renew Renew Close], moments(named).map(&:first).first(3)
    assert_equal 4, moments(named).size, "nothing is left over"
    unclosed = moments(named.merge("steps" => named["steps"].take(2))).map(&:first)
    assert_equal %w[Renew Renew Tighten], unclosed
    laid = moments(named.merge("keep" => [], "parts" => { "lines" => Array.new(2) { |at| line(at) }, "unfilled" => [], "surplus" => [] })).first
    assert_equal ["On the bench: parts", 2], laid.first(2), "what is laid out is one thing"
  end

  def line(at)
    { "number" => "N #{at}", "name" => "seal", "quantity" => 1, "pack" => 1, "covers" => {}, "reason" => nil, "promised" => 0 }
  end

  # The lines of a card carry both on, in the order of the record.
  def test_lines_have_them_from_the_record
    record = { "cautions" => [], "signs" => [],
               "parts" => { "lines" => [], "unfilled" => [], "surplus" => [] }, "held" => [], "tools" => [], "consumables" => [], "count_out" => [],
               "keep" => [], "steps" => [
                 { "phase" => "renew", "title" => "packings", "text" => ["In first."], "stacks" => ["packing"], "tools" => [], "fasteners" => [] },
                 { "phase" => "close", "title" => "manifold", "text" => ["On straight."], "stacks" => [], "tools" => [],
                   "fasteners" => ["head_bolts"] },
                 { "phase" => "after running", "title" => "after running in", "text" => ["Again."], "stacks" => [], "tools" => [],
                   "fasteners" => [] }
               ] }
    sections = Gimlet::Core::Order::Lines.of(record).to_h { |section| [section.key, section] }
    assert_equal %w[renew close finish], sections.keys
    assert_equal [["packing"], []], [sections["renew"].lines.first.stacks, sections["renew"].lines.first.fasteners]
    assert_equal [[], ["head_bolts"]], [sections["close"].lines.first.stacks, sections["close"].lines.first.fasteners]
    assert_equal ["finish 1.1"], sections["finish"].lines.flat_map(&:boxes).map(&:id)
  end

  def entry(number, kind, body) = Gimlet::Core::Entry.new(number: number, kind: kind, body: body, at: Time.at(number), who: "Ines")

  def test_what_is_laid_out_for_all_pumps_is_ticked_once
    items = { "part 1.1" => 2, "open 1.1" => 2, "tool 2.1" => nil, "close 1.1" => nil }
    entries = items.each_with_index.map do |(item, pump), at|
      entry(at + 1, "ticked", { "item" => item, "done" => true, **(pump ? { "pump" => pump } : {}) })
    end
    assert_equal ["part 1.1", "tool 2.1", "close 1.1"], Log.of(entries).ticked
    assert_equal ["part 1.1", "open 1.1", "tool 2.1"], Log.of(entries, 2).ticked
    assert_equal ["part 1.1", "tool 2.1"], Log.of(entries, 3).ticked
    assert_equal 4, Log.of(entries, 3).last
  end

  def test_every_reading_of_a_turn_is_kept_and_the_last_counts
    read = lambda { |number, value, **more|
      entry(number, "tightened", { "fastener" => "head", "turn" => 3, "value" => value, "unit" => "N·m", "by" => "typed", **more })
    }
    entries = [read.call(1, 30.0), read.call(2, 20.0), read.call(3, 19.0, "pump" => 2)]
    log = Log.of(entries)
    assert_equal([30.0, 20.0], log.all("head", 3).map { |one| one.body["value"] })
    assert_equal 20.0, log.reading("head", 3)["value"]
    assert_equal([19.0], Log.of(entries, 2).all("head", 3).map { |one| one.body["value"] })
    assert_empty log.all("head", 9)
  end

  def test_findings_are_told_by_pump_and_of_all
    entries = [entry(1, "found", { "slot" => "seal", "outcome" => "replace" }),
               entry(2, "found", { "slot" => "guide", "outcome" => "clean", "pump" => 2 })]
    assert_equal([%w[seal], %w[guide], %w[seal guide]], [1, 2, nil].map { |pump| Log.of(entries, pump).found.map { |one| one.body["slot"] } })
    assert_empty Log.of(entries).ticked, "a finding ticks nothing"
  end
end
