# frozen_string_literal: true

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

        module_function

        # @param teardown [Teardown]
        # @return [Array<String>]
        def for(teardown)
          ALWAYS + heavy(teardown) + soft_head(teardown) + of_series(teardown) + [DEFERRAL]
        end

        def heavy(teardown)
          teardown.groups.select { |group| (group.mass_kg || 0) > ONE_PERSON_KG }.map do |group|
            "The #{group.name} weighs #{group.mass_kg} kg: two people or a hoist."
          end
        end

        def soft_head(teardown)
          material = teardown.variant.trait("manifold_material")
          return [] unless %w[brass aluminium].include?(material) && teardown.fasteners.any?

          ["The head is #{material}: start every thread by hand and never go over the value."]
        end

        def of_series(teardown)
          touched = teardown.groups.map(&:id) + teardown.areas.map(&:id)
          teardown.variant.series.cautions.select { |one| one.when == "always" || Array(one.when).intersect?(touched) }
                  .map(&:text)
        end
      end
    end
  end
end
