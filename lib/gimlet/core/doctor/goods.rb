# frozen_string_literal: true

require_relative "../plain"
require_relative "../1_catalogue/in_hand"
require_relative "../materials/service"
require_relative "remark"

module Gimlet::Core
  class Doctor
    # Parts and kits: every number is listed, every place has exactly one, and supersessions end.
    class Goods
      include Saying

      # @param series [Catalogue::Series]
      def initialize(series, known)
        @service = known.elastomers && Materials::Service.new(table: known.elastomers)
        @series = series
        @variants = Catalogue::Variant.of_series(series)
        @numbers = series.parts.map(&:number)
        @slots = series.stacks.flat_map(&:layers).map(&:slot).uniq
      end

      # @return [Array<Remark>]
      def call = unlisted + shared + supersessions + slots + places + unused + unmeasured + lubricants

      private

      def unlisted
        used = @series.fits.map { |fit| ["fits.#{fit.slot}", fit.part] } +
               @series.kits.flat_map { |kit| kit.contents.keys.map { |part| ["kits.#{kit.number}", part] } } +
               @series.parts.flat_map { |part| others(part).map { |other| ["parts.#{part.number}", other] } }
        used.uniq.reject { |_, number| @numbers.include?(number) }
            .map { |place, number| error(place, "“#{number}” is not listed under parts.#{instead(number, @numbers)}") }
      end

      # Whoever orders one would be sent the other.
      def shared
        listed = { "parts" => @series.parts, "kits" => @series.kits, "tools" => @series.tools, "consumables" => @series.consumables }
        kinds = listed.flat_map { |list, all| all.filter_map(&:number).uniq.map { |number| [number, list] } }.group_by(&:first)
        kinds.select { |_, same| same.size > 1 }.map do |number, same|
          error("#{same.last.last}.#{number}", "stands under #{same.map(&:last).join(' and ')}: one number is one thing.")
        end
      end

      def others(part) = [part.superseded_by, *part.interchange, *part.stand_ins.map(&:part)].compact

      def supersessions
        newer = @series.parts.to_h { |part| [part.number, part.superseded_by] }
        turned = @numbers.select { |number| circle?(number, newer) }
        turned.map { |number| error("parts.#{number}.superseded_by", "leads back to #{number}: the newest number has no superseded_by.") } +
          @series.parts.select { |part| part.interchange.include?(part.number) || part.stand_ins.any? { |stand_in| stand_in.part == part.number } }
                 .map { |part| error("parts.#{part.number}", "takes its own place: leave it out.") }
      end

      def circle?(number, newer)
        seen = [number]
        while (number = newer[number])
          return true if seen.include?(number)

          seen << number
        end
        false
      end

      def slots
        (@series.fits.map(&:slot).uniq - @slots).map { |slot| error("fits.#{slot}", "no stack has a layer “#{slot}”.#{instead(slot, @slots)}") }
      end

      def places
        layers = @series.stacks.flat_map(&:layers).uniq { |layer| [layer.slot, layer.reuse == "keep", layer.condition] }
        layers.product(@variants).select { |layer, variant| Catalogue::Condition.met?(layer.condition, variant) }
              .filter_map { |layer, variant| place(layer, variant) }.uniq(&:place)
      end

      def place(layer, variant)
        found = @series.parts_for(layer.slot, variant).uniq
        if found.size > 1
          return error("fits.#{layer.slot}",
                       "fits #{found.join(' and ')} on #{variant.id}: only one can be right, say `for` which pumps.")
        end

        warning("fits.#{layer.slot}", "has no part on file on #{variant.id}.") if found.empty? && layer.reuse != "keep"
      end

      def unused
        meant = @series.fits.map(&:part) + @series.kits.flat_map { |kit| kit.contents.keys } + @series.parts.flat_map { |part| others(part) }
        replaced = @series.parts.select { |part| meant.intersect?([part.superseded_by, *part.interchange]) }.map(&:number)
        whole = @series.models.filter_map { |model| model.service&.fetch("sold_as", nil) }
        (@numbers - meant - replaced - whole).map { |number| warning("parts.#{number}", "fits nothing and is in no kit.") }
      end

      # A size is of use only where the slot's shape is one that is measured by it.
      def unmeasured
        @series.stacks.flat_map(&:layers).uniq(&:slot).flat_map do |layer|
          keys = Catalogue::InHand::SLOTS[Catalogue::Shapes.of(layer.shape).in_hand]
          keys ? fitted(layer).filter_map { |part| lost_sizes(part, layer.shape, keys) } : []
        end
      end

      def lost_sizes(part, shape, keys)
        return if part.spec.empty? || part.spec.keys.intersect?(keys)

        warning("parts.#{part.number}.spec", "a #{Plain.name(shape)} is told by #{keys.join(', ')}: its #{part.spec.keys.join(', ')} will " \
                                             "find it for nobody.")
      end

      def fitted(layer)
        numbers = @series.fits.select { |fit| fit.slot == layer.slot }.map(&:part)
        @series.parts.select { |part| numbers.include?(part.number) }
      end

      def lubricants
        return [] unless @service

        @series.stacks.flat_map(&:layers).flat_map do |layer|
          fitted(layer).flat_map { |part| @service.warnings(part, layer.lube) }.map { |text| warning("layers.#{layer.slot}.lube", text) }
        end
      end
    end
  end
end
