# frozen_string_literal: true

require_relative "../support/core"
require_relative "../../lib/gimlet/counter/import_catalogue"
require_relative "../../lib/gimlet/counter/plan_rebuild"
require_relative "../../lib/gimlet/counter/current_reference"
require_relative "../../lib/gimlet/present/plan"

# What a change would do, as it is reported, against plans that are worked out one by one before and after: random edits of demo series.
class EffectsTest < Minitest::Test
  include DemoCatalogue

  EDITS = Integer(ENV.fetch("EDITS", 8))
  TABLES = Gimlet::Exchange::ReferenceFiles::TABLES
  WORDS = Gimlet::Counter::CurrentReference.vocabulary(nil)
  # What a plan of one day does not show: what else could be sold for it.
  UNSEEN = %w[pump trait serves kit listed].freeze
  Effects = Gimlet::Core::Drafting::Effects

  # Every scalar of a document, by its steps; the format's own and what everything hangs on are left.
  def leaves(value, steps = [])
    case value
    when Hash then value.flat_map { |key, one| leaves(one, [*steps, key]) }
    when Array then value.each_with_index.flat_map { |one, at| leaves(one, [*steps, at]) }
    else [steps]
    end
  end

  def dig(document, steps) = steps.reduce(document) { |inside, step| inside[step] }

  # Another figure, another word that stands under the same key somewhere, a row that is gone, two rows that change places.
  def edited(document, random)
    copy = Marshal.load(Marshal.dump(document))
    places = leaves(copy).reject { |steps| %w[format version maker series].include?(steps.first) || steps.last == "construction" }
    steps = places.sample(random: random)
    holder = dig(copy, steps[0...-1])
    row = (steps.size - 1).downto(1).find { |at| steps[at].is_a?(Integer) && dig(copy, steps[0...at]).is_a?(Array) }
    case random.rand(6)
    when 0 then row ? dig(copy, steps[0...row]).delete_at(steps[row]) : holder.delete(steps.last)
    when 1 then row ? dig(copy, steps[0...row]).rotate!(1) : holder.delete(steps.last)
    else holder[steps.last] = another(holder[steps.last], steps, places, copy, random)
    end
    copy
  rescue NoMethodError, TypeError
    document
  end

  def another(value, steps, places, document, random)
    case value
    when Numeric then (value * [0.9, 1.1, 2].sample(random: random)).then { |number| value.is_a?(Integer) ? number.ceil : number.round(2) }
    when true, false then !value
    else places.select { |other| other.last == steps.last && other.size == steps.size }.map { |other| dig(document, other) }.sample(random: random)
    end
  end

  def sound?(document)
    Gimlet::Exchange::CatalogueFormat.faults(document).empty? &&
      Gimlet::Core::Doctor.call(Gimlet::Core::Catalogue::Build.call(document), WORDS, TABLES).none?(&:error?)
  end

  # Everything that screen and card say of every pump by every area: [pump, area] => the plan, and the kits on offer for it.
  def plans(document)
    series = Gimlet::Core::Catalogue::Build.call(document)
    snapshot = Gimlet::Core::Catalogue::Snapshot.new([series], version: "one")
    stock = (series.parts + series.kits).to_h { |one| [one.number, Gimlet::Core::KitPlan::Stock.new(price_cents: 100, on_hand: 50, pack: 1)] }
    planner = Gimlet::Counter::PlanRebuild.new(snapshot, stock, TABLES)
    snapshot.variants.flat_map do |variant|
      series.areas_of(variant).map do |area|
        result = planner.call(model: variant.designation, serial: variant.serial_range, scope: [area.id])
        [[variant.id, area.id], Gimlet::Present::Plan.call(result).except(:catalogue_version)]
      end
    end.to_h
  end

  def reported(effects)
    effects.reject { |effect| %w[pump trait].include?(effect.kind) }.flat_map { |effect| effect.pumps.product(effect.areas) }.uniq
  end

  def test_the_report_equals_what_plans_say_before_and_after
    seed = Integer(ENV.fetch("EFFECTS_SEED", rand(1_000_000)))
    puts "effects seed #{seed}"
    random = Random.new(seed)
    kept = {}
    done = changed = 0
    # A few edits may happen to change no order: on until some did.
    while done < EDITS || changed < 2
      document = DOCUMENTS.sample(random: random)
      copy = edited(document, random)
      next if copy == document || !sound?(copy)

      before, after = kept[document["series"]["id"]] ||= plans(document), plans(copy)
      differing = (before.keys | after.keys).reject { |key| before[key] == after[key] }
      effects = Effects.of(*[document, copy].map { |one| Gimlet::Core::Catalogue::Build.call(one) })
      told = reported(effects)
      gone = effects.select { |effect| effect.kind == "pump" }.flat_map(&:pumps)
      differing = differing.reject { |key| gone.include?(key.first) }
      beyond = effects.select { |effect| (effect.pumps.product(effect.areas) - differing).any? }.map(&:kind).uniq - UNSEEN
      assert_empty beyond, "seed #{seed}, edit #{done}: #{Gimlet::Exchange::CatalogueChanges.call(document, copy).first(3)}"
      assert_empty differing - told, "seed #{seed}, edit #{done}: #{Gimlet::Exchange::CatalogueChanges.call(document, copy).first(3)}"
      done += 1
      changed += 1 if differing.any?
    end
  end
end
