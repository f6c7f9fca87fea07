# frozen_string_literal: true

require_relative "../1_catalogue/condition"
require_relative "../1_catalogue/snapshot"
require_relative "../value"

module Gimlet::Core
  module Lookup
    # Where a part sits and what holds it.
    #
    #   WhereUsed.of("PW-4220", snapshot).places.first.layer.name # => "high-pressure seal"
    WhereUsed = Value.of(:part, :series, :places, :kits, :newer, :older, :interchange, :stand_ins, :stands_in_for)

    # `layer` of `stack` on the pumps `variants`; `quantity` in one pump, by all the stack's positions.
    Use = Value.of(:stack, :layer, :quantity, :variants)

    # Finding it.
    class WhereUsed
      # @param number [String]
      # @param snapshot [Catalogue::Snapshot]
      # @return [WhereUsed, nil] nil where there is no such part
      def self.of(number, snapshot)
        series = snapshot.series.find { |one| one.parts.any? { |part| part.number == number } } or return
        part = snapshot.part(number)
        own = series.parts
        new(part: part, series: series, places: places(series, number, snapshot), kits: snapshot.kits.select { |kit| kit.contents.key?(number) },
            newer: chain(part, snapshot), older: own.select { |one| one.superseded_by == number },
            interchange: (part.interchange.filter_map { |one| snapshot.part(one) } + own.select { |one| one.interchange.include?(number) }).uniq,
            stand_ins: part.stand_ins, stands_in_for: own.select { |one| one.stand_ins.any? { |stand_in| stand_in.part == number } })
      end

      # @return [Array<Use>] where it is on file for a slot itself, not by what it replaces
      def self.places(series, number, snapshot)
        fits = series.fits.select { |fit| fit.part == number }
        variants = snapshot.variants.select { |variant| variant.series.equal?(series) }
        series.stacks.flat_map do |stack|
          stack.layers.select { |layer| fits.any? { |fit| fit.slot == layer.slot } }.filter_map do |layer|
            use(stack, layer, variants.select { |variant| sits?(series, stack, layer, variant, number) })
          end
        end
      end

      def self.use(stack, layer, variants)
        Use.new(stack: stack, layer: layer, quantity: stack.positions.size, variants: variants) if variants.any?
      end

      def self.sits?(series, stack, layer, variant, number)
        [stack, layer].all? { |one| Catalogue::Condition.met?(one.condition, variant) } && series.parts_for(layer.slot, variant).include?(number)
      end

      def self.chain(part, snapshot)
        newer = [part]
        while (one = newer.last.superseded_by && snapshot.part(newer.last.superseded_by)) && !newer.include?(one)
          newer << one
        end
        newer.drop(1)
      end
      private_class_method :places, :use, :sits?, :chain
    end
  end
end
