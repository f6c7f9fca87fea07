# frozen_string_literal: true

require_relative "../3_teardown/touched"
require_relative "../materials/service"
require_relative "../value"

module Gimlet
  module Core
    module Plan
      # The usual warnings for high-pressure pump work, those of the series, and what follows from the data.
      module Cautions
        # Common practice, no source.
        ALWAYS = [
          "Stop the drive and lock it off. Shut the inlet and open the gun or dump valve until no pressure is left.",
          "A high-pressure jet goes through skin. Any such injury is a medical emergency, however small it looks: hospital at once.",
          "Wear eye protection: springs, clips and plugs under spring load fly."
        ].freeze
        DEFERRAL = "This card is an aid. The maker's manual, local rules and qualified people come first."
        # Recommended weight limit for one person, in kg. Source: NIOSH lifting equation, load constant (Waters 1993).
        ONE_PERSON_KG = 23

        # What a caution is drawn with, which part of the work it is about, and its `title` where it is folded; one of a series alone has none.
        Sign = Value.of(:picture, :before, :title)
        SIGNS = { ALWAYS[0] => ["pressure", "open", "No pressure left, drive locked off"],
                  ALWAYS[1] => ["jet", "open", "A jet goes through skin: hospital at once"], ALWAYS[2] => ["eyes", "open", "Eye protection"],
                  DEFERRAL => ["manual", "part", "The maker's manual comes first"] }.freeze
        HEAVY = "two people or a hoist."
        NEVER_OVER = "never go over the value."

        module_function

        # @param text [String] one of a plan's cautions
        # @return [Sign]
        def sign(text)
          picture, before, title = SIGNS[text]
          picture, before, title = "heavy", "open", "Two people or a hoist" if text.end_with?(HEAVY)
          picture, before, title = "torque", "close", "Soft threads: never over the value" if text.end_with?(NEVER_OVER)
          Sign.new(picture: picture || "mind", before: before || "open", title: title)
        end

        # @param teardown [Teardown]
        # @param snapshot [Catalogue::Snapshot]
        # @param service [Materials::Service, nil] nil where no table is at hand
        # @return [Array<String>]
        def for(teardown, snapshot, service = nil)
          rubber = service ? materials(teardown, snapshot, service) : []
          ALWAYS + heavy(teardown) + soft_head(teardown) + of_series(teardown) + rubber + [DEFERRAL]
        end

        def heavy(teardown)
          teardown.groups.select { |group| (group.mass_kg || 0) > ONE_PERSON_KG }.map do |group|
            "The #{group.name} weighs #{group.mass_kg} kg: #{HEAVY}"
          end
        end

        def soft_head(teardown)
          return [] unless teardown.variant.series.item == "pump" && teardown.variant.soft? && teardown.fasteners.any?

          ["The manifold is #{teardown.variant.trait('manifold_material')}: start every thread by hand and #{NEVER_OVER}"]
        end

        # A lubricant, a medium or a heat that the rubber does not bear.
        # @return [Array<String>]
        def materials(teardown, snapshot, service)
          own = teardown.places.map(&:layer).uniq.map { |layer| [layer, layer.lube] }
          (own + smeared(teardown)).flat_map do |layer, lube|
            parts(layer, teardown.variant, snapshot).flat_map { |part| service.warnings(part, lube) }
          end.uniq
        end

        # What the work on an area takes goes onto all that sits there.
        # @return [Array<Array(Catalogue::Layer, String)>]
        def smeared(teardown)
          series = teardown.variant.series
          teardown.areas.flat_map do |area|
            names = area.consumables.map { |usage| series.consumable(usage.consumable).name }
            area.stacks.flat_map { |id| series.stack(id).layers }.product(names)
          end
        end

        def parts(layer, variant, snapshot) = variant.series.parts_for(layer.slot, variant).filter_map { |number| snapshot.part(number) }

        def of_series(teardown)
          teardown.variant.series.cautions.select { |caution| Touched.by?(caution, teardown) }.map(&:text)
        end
      end
    end
  end
end
