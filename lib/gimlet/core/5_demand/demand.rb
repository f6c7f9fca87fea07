# frozen_string_literal: true

require_relative "../4_teardown/teardown"
require_relative "../value"
require_relative "positions"

module Gimlet
  module Core
    # What the work uses up, what goes back in, and what must not be left in a bore.
    # Quantities are counted from positions.
    class Demand
      # `part` is a Catalogue::Part. `reasons` are sentences.
      Line = Value.of(:part, :quantity, :reasons)
      # A needed place with no part number on file.
      Missing = Value.of(:name, :quantity, :reasons)
      # A piece that goes back in; `inspect` when it should be looked over first.
      Kept = Value.of(:slot, :name, :part, :positions, :inspect)
      # A loose piece that must come out of `position` before anything goes in.
      Counted = Value.of(:position, :pieces)

      attr_reader :lines, :missing, :keep, :count_out

      # @param teardown [Teardown]
      # @param snapshot [Catalogue::Snapshot]
      # @param pumps [Integer] how many pumps get the same work
      # @param findings [Array<String>] slots found worn at inspection
      def initialize(teardown, snapshot, pumps: 1, findings: [])
        @teardown = teardown
        @snapshot = snapshot
        @pumps = pumps
        @findings = findings
        places = teardown.places
        renewed, kept = places.partition { |place| renewed?(place) }
        found, unknown = renewed.group_by { |place| place.layer.slot }.values.partition { |group| number(group.first.layer) }
        @lines = lines_for(found)
        @missing = unknown.map { |group| missing_for(group) }
        @keep = kept_for(kept)
        @count_out = counted(places)
      end

      def variant = @teardown.variant

      # @return [Hash{String=>Integer}] part number => quantity
      def quantities = lines.to_h { |line| [line.part.number, line.quantity] }

      private

      def renewed?(place)
        case place.layer.reuse
        when "replace_always" then place.cause.first == :area
        when "replace_if_removed" then true
        when "inspect" then @findings.include?(place.layer.slot)
        else false
        end
      end

      # Nothing is guessed: two numbers for one slot are as good as none.
      def number(layer)
        numbers = variant.series.parts_for(layer.slot, variant)
        numbers.first if numbers.one?
      end

      def lines_for(groups)
        groups.group_by { |group| number(group.first.layer) }.map do |number, same|
          Line.new(part: @snapshot.part(number), quantity: same.sum(&:size) * @pumps,
                   reasons: same.flat_map { |group| reasons(group) })
        end
      end

      def missing_for(group)
        Missing.new(name: group.first.layer.name, quantity: group.size * @pumps, reasons: reasons(group))
      end

      def reasons(group)
        group.group_by { |place| [place.stack, place.cause] }.map do |(_, cause), places|
          "#{places.size} × #{places.first.layer.name} (#{positions(places)}): #{why(places.first, cause)}" +
            (@pumps > 1 ? ", for each of #{@pumps} pumps" : "")
        end
      end

      def positions(places) = Positions.short(places.map(&:position).uniq)

      def why(place, cause)
        kind, id = cause
        return "found worn" if place.layer.reuse == "inspect"
        return "does not survive taking off the #{variant.series.group(id).name}" if kind == :group

        name = Catalogue::WORK_AREAS.fetch(id)
        @teardown.added.key?(id) ? "#{name} go with the agreed work: #{@teardown.added[id]}" : "#{name} agreed"
      end

      def kept_for(places)
        rows = places.select { |place| %w[keep inspect].include?(place.layer.reuse) }.group_by { |place| place.layer.slot }
        rows.values.map do |same|
          layer = same.first.layer
          Kept.new(slot: layer.slot, name: layer.name, part: number(layer), positions: same.map(&:position).uniq,
                   inspect: layer.reuse == "inspect")
        end
      end

      def counted(places)
        places.select { |place| place.layer.count_out }.group_by(&:position).map do |position, same|
          Counted.new(position: position, pieces: same.map { |place| place.layer.name })
        end
      end
    end
  end
end
