# frozen_string_literal: true

# Whether what the counter promises can be trusted, on the demo catalogue with simulated callers: wrong readings, plates of other pumps,
# pumps that are in no catalogue, worn seals, and how often "95 %" is right. Each table names its bar.
# Run: bundle exec ruby bench/trust.rb [calls] [seed] [wrong|plates|strangers|seals|calls ...]
require "json"
require_relative "../lib/gimlet/core/1_catalogue/build"
require_relative "../lib/gimlet/core/1_catalogue/snapshot"
require_relative "../lib/gimlet/counter/reference"
require_relative "../lib/gimlet/exchange/reference_files"
require_relative "../lib/gimlet/exchange/vocabulary_files"
require_relative "support/trial"

CALLS = (ARGV[0] || 400).to_i
SEED = (ARGV[1] || 1).to_i
SECTIONS = ARGV.drop(2)
SCOPE = %w[inlet_valves discharge_valves packings].freeze
DOCUMENTS = Dir[File.expand_path("../data/demo/catalogue/*.json", __dir__)].map { |file| JSON.parse(File.read(file)) }

def reference(documents)
  series = documents.map { |document| Gimlet::Core::Catalogue::Build.call(document) }
  snapshot = Gimlet::Core::Catalogue::Snapshot.new(series, version: "bench")
  Gimlet::Counter::Reference.new(snapshot, Gimlet::Exchange::VocabularyFiles.shipped, Gimlet::Exchange::ReferenceFiles::TABLES)
end

REFERENCE = reference(DOCUMENTS)
FIELD = REFERENCE.field
CLASSES = REFERENCE.classes(SCOPE)

def pick(random)
  at = random.rand
  FIELD.prior.each_with_index { |one, place| return place if (at -= one).negative? }
  FIELD.prior.size - 1
end

# @yield the call's own readings in place of some that a caller says first
def said(trial, truth, random, count, without: [])
  ids = (Trial::OUTSIDE - without).select { |id| truth.traits[id] }.sample(count, random: random)
  ids.map { |id| trial.reading(REFERENCE.vocabulary.trait(id), value: truth.traits[id]) }
end

def percent(some, all) = all.zero? ? "    –" : format("%5.1f", 100.0 * some / all)

def report(name, outcomes, bar, &)
  some = outcomes.count(&)
  puts format("%-46s %6d %s %%   bar %s", name, outcomes.size, percent(some, outcomes.size), bar)
end

def trait(id) = REFERENCE.vocabulary.trait(id)

def section(name)
  yield Random.new(SEED) if SECTIONS.empty? || SECTIONS.include?(name)
end

def stranger(random)
  traits = Trial::OUTSIDE + %w[plunger_mm plunger_material inlet_port flow_l_min pressure_bar speed_rpm shaft_kind mass_kg cap_drive]
  values = traits.to_h { |id| [id, FIELD.column(id).values.compact.sample(random: random)] }
  plate = Array.new(7) { [*"A".."Z", *"0".."9"].sample(random: random) }.join
  Gimlet::Core::Identification::Hypothesis.new(id: "x", weight: 1, family: "x",
                                               traits: values.merge("plate" => [plate], "maker" => "Nobody", "series" => plate[0, 2]))
end

def near(random, changes)
  model = FIELD.hypotheses[pick(random)]
  own = %w[head_bolts plunger_mm cover_colour inlet_port cap_location manifold_material sight_glass head_bolt_drive shaft_mm].select do |id|
    model.traits[id]
  end
  changed = own.sample(changes, random: random).to_h { |id| [id, Trial.new(REFERENCE, SCOPE).other(trait(id), model.traits[id], random)] }
  plate = model.traits["plate"].first.sub(/\d\d/) { |digits| (digits.to_i + random.rand(1..9)).to_s }
  [Gimlet::Core::Identification::Hypothesis.new(id: "near", weight: 1, family: "x", traits: model.traits.merge(changed, "plate" => [plate])),
   changed.keys]
end

trial = Trial.new(REFERENCE, SCOPE)

section("wrong") do |random|
  puts "one wrong reading: enough, and the order is wrong"
  %w[maker plunger_mm head_bolts cylinders valve_caps inlet_port flow_l_min].each do |id|
    outcomes = Array.new(CALLS) do
      at = pick(random)
      truth = FIELD.hypotheses[at]
      next unless truth.traits[id]

      wrong = trial.reading(trait(id), value: trial.other(trait(id), truth.traits[id], random))
      with_plate = random.rand < 0.5 ? [trial.reading(trait("plate"), value: truth.traits["plate"].first)] : []
      trial.call(truth, [*with_plate, wrong, *said(trial, truth, random, 3, without: [id])], CLASSES.id_of(at), random)
    end.compact
    report("  #{id}", outcomes, "1") { |one| one.enough && !one.right }
  end
end

section("plates") do |random|
  puts "one wrong plate: enough, and the order is wrong"
  { "another series" => 3, "a sibling" => 35 }.each do |kind, bar|
    outcomes = Array.new(CALLS) do
      at = pick(random)
      truth = FIELD.hypotheses[at]
      others = FIELD.hypotheses.each_index.select do |other|
        same = FIELD.hypotheses[other].family == truth.family
        wanted = kind == "a sibling" ? same && FIELD.hypotheses[other].traits["plate"] != truth.traits["plate"] : !same
        wanted && CLASSES.id_of(other) != CLASSES.id_of(at)
      end
      wrong = FIELD.hypotheses[others.sample(random: random)].traits["plate"].first
      trial.call(truth, [trial.reading(trait("plate"), value: wrong), *said(trial, truth, random, 2)], CLASSES.id_of(at), random)
    end
    report("  plate of #{kind}", outcomes, bar) { |one| one.enough && !one.right }
  end
end

# One plunger of a series taken out: everything else of it is in the catalogue.
def bores(random, trial)
  several = DOCUMENTS.select { |document| bores_of(document).size > 1 }
  several.flat_map do |document|
    bore = bores_of(document).sample(random: random)
    others = document["models"].reject { |model| model.dig("traits", "plunger_mm") == bore }
    rest = reference(DOCUMENTS.map { |other| other == document ? other.merge("models" => others) : other })
    gone = FIELD.hypotheses.select { |one| one.family == document["series"]["id"] && one.traits["plunger_mm"] == bore }
    short = Trial.new(rest, SCOPE)
    Array.new(CALLS / several.size) { short.call(gone.sample(random: random), said(trial, gone.first, random, 3), nil, random) }
  end
end

def bores_of(document) = document["models"].filter_map { |model| model.dig("traits", "plunger_mm") }.uniq

section("strangers") do |random|
  puts "not in the catalogue: claimed (enough)"

  kinds = { "random" => [1, -> { stranger(random) }] }
  [1, 2, 3].each { |changes| kinds["near, #{changes} traits changed"] = [changes == 1 ? "–" : 4, -> { near(random, changes) }] }
  kinds.each do |name, (bar, make)|
    [true, false].each do |plate|
      outcomes = Array.new(CALLS) do
        truth, telling = make.call
        first = plate ? [trial.reading(trait("plate"), value: truth.traits["plate"].first)] : []
        first += telling.to_a.map { |id| trial.reading(trait(id), value: truth.traits[id]) }
        trial.call(truth, [*first, *said(trial, truth, random, 3, without: telling.to_a)], nil, random, plate: plate)
      end
      report("  #{name}#{', plate read' if plate}", outcomes, bar, &:enough)
    end
  end
  # A whole series taken out of the catalogue: its pumps are strangers with everything else in place.
  outcomes = DOCUMENTS.each_index.flat_map do |out|
    rest = reference(DOCUMENTS.reject.with_index { |_, at| at == out })
    gone = FIELD.hypotheses.select { |hypothese| hypothese.family == DOCUMENTS[out]["series"]["id"] }
    short = Trial.new(rest, SCOPE)
    Array.new(CALLS / DOCUMENTS.size) do
      gone.sample(random: random).then do |truth|
        short.call(truth, said(trial, truth, random, 3), nil, random)
      end
    end
  end
  report("  a series taken out", outcomes, "3", &:enough)
  report("  one bore of a series taken out", bores(random, trial), "3", &:enough)
end

section("seals") do |random|
  puts "worn seals, caliper, parts in hand"
  Trial.new(REFERENCE, SCOPE, channel: "parts")
  outcomes = Array.new(CALLS) do
    at = pick(random)
    truth = FIELD.hypotheses[at]
    seal = truth.traits["seal"].select(&:all?).sample(random: random) or next
    worn = [1, -1, -1].zip(seal).map { |way, size| size + (way * random.rand(0.1..0.4)) }
    readings = %w[seal_id_mm seal_od_mm seal_height_mm].zip(worn).map do |id, size|
      Gimlet::Core::Readings::Reading.new(definition: trait(id), value: size.round(2), observer: "counter", tool: "caliper")
    end
    found = REFERENCE.identify(%w[packings]).call(readings, channel: "parts")
    ids = found.order_classes.map(&:id)
    Trial::Outcome.new(rank: ids.index(REFERENCE.classes(%w[packings]).id_of(at)), none: !found.plausible, enough: false)
  end.compact
  report("  right order first", outcomes, ">= 60") { |one| one.rank.zero? }
  report("  among three", outcomes, ">= 90") { |one| one.rank && one.rank < 3 }
  report("  called none", outcomes, "2", &:none)
end

section("calls") do |random|
  caller = Trial.new(REFERENCE, SCOPE, wrong: 0.04)
  outcomes = Array.new(CALLS * 4) do
    at = pick(random)
    truth = FIELD.hypotheses[at]
    plate = random.rand < 0.3
    caller.call(truth, said(caller, truth, random, random.rand(1..3)), CLASSES.id_of(at), random, plate: plate)
  end
  puts "calls with 4 % wrong answers, plate mostly missing"
  report("  right", outcomes, ">= 90", &:right)
  report("  right pumps called none", outcomes, "1", &:none)
  report("  ran out of questions", outcomes, "29 before", &:dry)
  asked = outcomes.sum(&:questions)
  puts format("  questions %.2f, of which %s %% need the pump opened (bar 10)", asked / outcomes.size.to_f,
              percent(outcomes.sum(&:opened), asked))
  puts "said              calls  mean said   right    (bar: at most 0.07 apart; at 0.95 and more right 0.97)"
  [[0.0, 0.5], [0.5, 0.6], [0.6, 0.7], [0.7, 0.8], [0.8, 0.9], [0.9, 0.95], [0.95, 0.98], [0.98, 1.01]].each do |low, high|
    some = outcomes.select { |outcome| outcome.sure >= low && outcome.sure < high }
    if some.any?
      puts format("%.2f to %.2f %10d %10.3f %7.3f", low, [high, 1].min, some.size, some.sum(&:sure) / some.size,
                  some.count(&:right) / some.size.to_f)
    end
  end
end
