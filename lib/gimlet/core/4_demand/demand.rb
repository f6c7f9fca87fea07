# frozen_string_literal: true

require_relative "../3_teardown/teardown"
require_relative "../value"
require_relative "fates"
require_relative "positions"

module Gimlet::Core
  # What the work uses up, what goes back in, and what must not be left in a bore.
  # Quantities are counted from positions.
  class Demand
    # `part` is a Catalogue::Part. `reasons` are sentences. `had` of the quantity the customer has already.
    DemandLine = Value.of(:part, :quantity, :reasons, :had)
    # A needed place with no part number on file.
    Missing = Value.of(:name, :quantity, :reasons)
    # A piece that goes back in: `fate` is one of Fates::KINDS, `look` are criteria as sentences.
    Kept = Value.of(:slot, :name, :part, :positions, :fate, :look, :limits)
    # A part that may turn out to be needed once the pump is open.
    Held = Value.of(:part, :quantity, :why)
    # A loose piece that must come out of `position` before anything goes in.
    Counted = Value.of(:position, :pieces)

    # @return [Array<Fates::Fate>]
    attr_reader :fates

    # @param teardown [Teardown]
    # @param snapshot [Catalogue::Snapshot]
    # @param pumps [Integer] how many pumps get the same work
    # @param findings [Array<Finding>]
    # @param had [Hash{String=>Integer}] part numbers that the customer has already
    def initialize(teardown, snapshot, pumps: 1, findings: [], had: {})
      @teardown = teardown
      @snapshot = snapshot
      @pumps = pumps
      @had = had
      @numbers = {}
      @fates = Fates.of(teardown, findings)
      renewed, @back = @fates.partition { |fate| fate.kind == :replace }
      @found, @unknown = by_slot(renewed).partition { |group| number(group.first.place.layer.slot) }
    end

    def variant = @teardown.variant

    # @return [Teardown] with what is only done for pieces that are renewed
    def decided = @teardown.renewing(@fates.select { |fate| fate.kind == :replace }.map { |fate| fate.place.layer.slot }.uniq)

    # @return [Hash{String=>Integer}] part number => quantity to buy
    def quantities
      counts.to_h { |number, quantity| [number, quantity - had(number, quantity)] }.select { |_, quantity| quantity.positive? }
    end

    # @return [Array<Line>]
    def lines
      @lines ||= of_numbers.map do |number, same|
        quantity = counts.fetch(number)
        DemandLine.new(part: @snapshot.part(number), quantity: quantity, had: had(number, quantity),
                       reasons: same.flat_map { |group| reasons(group) })
      end
    end

    # @return [Array<Missing>]
    def missing = @missing ||= @unknown.map { |group| missing_for(group) }

    # @return [Array<Kept>]
    def keep = @keep ||= kept_for(@back)

    # @return [Array<Held>]
    def held = @held ||= held_for(@back)

    # @return [Array<Counted>]
    def count_out = @count_out ||= counted

    # Nothing is guessed: two numbers for one slot are as good as none.
    # @return [String, nil] the part number of a slot on this pump
    def number(slot)
      return @numbers[slot] if @numbers.key?(slot)

      numbers = variant.series.parts_for(slot, variant)
      @numbers[slot] = (numbers.first if numbers.one?)
    end

    private

    def by_slot(fates) = fates.group_by { |fate| fate.place.layer.slot }.values
    def of_numbers = @of_numbers ||= @found.group_by { |group| number(group.first.place.layer.slot) }
    def counts = @counts ||= of_numbers.transform_values { |same| same.sum(&:size) * @pumps }
    def had(number, quantity) = [@had.fetch(number, 0), quantity].min

    def missing_for(group)
      Missing.new(name: group.first.place.layer.name, quantity: group.size * @pumps, reasons: reasons(group))
    end

    def reasons(group)
      group.group_by { |fate| [fate.place.stack.id, fate.place.cause, fate.why, fate.finding&.outcome] }.values.map do |fates|
        first = fates.first
        "#{fates.size} × #{first.place.layer.name} (#{positions(fates)}): #{why(first)}" +
          (@pumps > 1 ? ", for each of #{@pumps} pumps" : "")
      end
    end

    def positions(fates) = Positions.short(fates.map { |fate| fate.place.position }.uniq)

    def why(fate)
      case fate.why
      when :found then fate.finding.why(fate.place.layer)
      when :set then "goes as a set with what is renewed beside it"
      when :agreed then "#{caused(fate.place)}, and nothing else of it is renewed by rule"
      when :complete then "renewed unseen, as everything that comes apart is"
      else caused(fate.place)
      end
    end

    def caused(place)
      kind, id = place.cause
      return agreed(id) if kind == :area

      group = variant.series.group(id).name
      return "does not survive taking off the #{group}" if kind == :group

      host = place.stack.layer(place.layer.inside).name
      "the #{host} comes out with the #{group}, and what sits in it does not survive that"
    end

    def agreed(id)
      name = variant.series.area(id).name
      @teardown.added.key?(id) ? "#{name} go with the agreed work: #{@teardown.added[id]}" : "#{name} agreed"
    end

    def kept_for(fates)
      fates.group_by { |fate| [fate.place.layer.slot, fate.kind] }.map do |(slot, kind), same|
        layer = same.first.place.layer
        Kept.new(slot: slot, name: layer.name, part: number(slot), positions: same.map { |fate| fate.place.position }.uniq, fate: kind,
                 look: look(same.first), limits: layer.limits)
      end
    end

    # What is looked for, or how it is reworked once that was found.
    def look(fate)
      layer = fate.place.layer
      return layer.criteria.select { |one| one.outcome == fate.finding.outcome }.map(&:to_s) if fate.why == :found

      layer.checks.map(&:to_s)
    end

    def held_for(fates)
      open = fates.select { |fate| fate.finding.nil? && %i[inspect turn].include?(fate.kind) && number(fate.place.layer.slot) }
      open.group_by { |fate| number(fate.place.layer.slot) }.map do |number, same|
        checks = same.flat_map { |fate| fate.place.layer.checks.map(&:to_s) }.uniq
        Held.new(part: @snapshot.part(number), quantity: same.size * @pumps,
                 why: "#{same.first.place.layer.name} (#{positions(same)})#{": #{checks.join('; ')}" if checks.any?}")
      end
    end

    def counted
      loose = @fates.map(&:place).select { |place| place.layer.count_out }
      loose.group_by(&:position).map { |position, same| Counted.new(position: position, pieces: same.map { |place| place.layer.name }) }
    end
  end
end
