# frozen_string_literal: true

require_relative "../1_catalogue/in_hand"
require_relative "../value"
require_relative "plate_index"

module Gimlet
  module Core
    module Candidates
      # The distinct values of one trait and, for each candidate, the place of its value among them.
      Column = Value.of(:values, :places)

      # All pumps that a reading can speak of, laid out by trait: a reading is then weighed once for each
      # distinct value instead of once for each pump.
      class Field
        attr_reader :variants

        # @param variants [Array<Catalogue::Variant>]
        # @param in_hand [Catalogue::InHand, nil] what parts of these pumps look like
        def initialize(variants, in_hand = nil)
          @variants = variants
          @in_hand = in_hand
          @columns = {}
        end

        # @param trait [String] a trait id, or "flow_per_rev" (L per revolution, from flow and speed on file)
        # @return [Column]
        def column(trait)
          @columns[trait] ||= build { |variant| value(variant, trait) }
        end

        # @param owned [Array<String>] designations this customer is known to have; they get half of the belief
        # @return [Array<Float>] adds up to 1
        def prior(owned = [])
          @common ||= spread { |variant| variant.model.popularity * variant.share }
          known = spread { |variant| owned.include?(variant.designation) ? variant.share : 0 } unless owned.empty?
          known ? @common.zip(known).map { |one, two| (one + two) / 2 } : @common
        end

        # @return [PlateIndex] of the column "plate"
        def plates
          @plates ||= PlateIndex.new(variants.uniq(&:designation).map(&:spellings))
        end

        private

        def value(variant, trait)
          case trait
          when "serial" then (variant.first_serial...variant.end_serial)
          when "flow_per_rev" then per_rev(variant)
          when *Catalogue::InHand::TRAITS then @in_hand&.of(variant)&.fetch(trait)
          else variant.trait(trait)
          end
        end

        def per_rev(variant)
          flow, speed = variant.trait("flow_l_min"), variant.trait("speed_rpm")
          flow / speed.to_f if flow && speed
        end

        def build(&value_of)
          seen = {}
          places = variants.map { |variant| seen[value_of.call(variant)] ||= seen.size }
          Column.new(values: seen.keys.freeze, places: places.freeze)
        end

        def spread(&weight)
          weights = variants.map { |variant| weight.call(variant).to_f }
          total = weights.sum
          weights.map { |one| one / total } if total.positive?
        end
      end
    end
  end
end
