# frozen_string_literal: true

require_relative "../plain"
require_relative "remark"

module Gimlet::Core
  class Doctor
    # Figures beyond sense: of one model beside the others, of masses, cranks, consumables, and what is computed at the finish.
    class Magnitudes
      include Saying

      # How many times the usual of its series a figure of one model may be.
      OUTLYING = { "mass_kg" => 3, "pressure_bar" => 4, "flow_l_min" => 8, "shaft_mm" => 3, "speed_rpm" => 4 }.freeze
      SOLD = 60
      # How many times the load of its sisters a model's plunger may bear. Common practice, no source.
      LOAD = 1.35
      # Connecting rod over crank radius: l/r of 3 to 5 in engines, more in pumps. Common practice, no source.
      ROD = (2.5..25)
      SHARE = (0.01..0.99)
      # A valve's water, at least so warm is allowed. Common practice, no source.
      LEAST_WARM = 30
      # What every calculation rests on.
      NEEDED = %w[plunger_mm flow_l_min pressure_bar].freeze
      LEAST_KG = 0.02
      # Packs that one piece may take.
      PACKS = 0.5
      # Pipe threads that there are: ISO 228-1. From memory.
      PIPE = ["1/16", "1/8", "1/4", "3/8", "1/2", "5/8", "3/4", "7/8", "1", "1 1/8", "1 1/4", "1 1/2", "1 3/4", "2", "2 1/4", "2 1/2", "2 3/4",
              "3", "3 1/2", "4", "5", "6"].freeze

      # @param series [Catalogue::Series]
      def initialize(series, known)
        @series = series
        @traits = known.traits || {}
      end

      # @return [Array<Remark>]
      def call = outliers + loads + sold + rods + ports + upside_down + warm + shares + masses + lacking + amounts + finish

      private

      def outliers
        OUTLYING.flat_map do |trait, times|
          values = @series.models.filter_map { |model| [model, model.traits[trait]] if model.traits[trait].is_a?(Numeric) }
          usual = median(values.map(&:last)) or next []
          values.select { |_, value| value > usual * times || value < usual / times.to_f }.map do |model, value|
            warning("models.#{model.designation}.traits.#{trait}",
                    "is #{Plain.number(value)}, the others of the series have about #{Plain.number(usual)}: check the point and the unit.")
          end
        end
      end

      # The force on a plunger, p·π/4·d², in kN from bar and mm: sisters on one crank drive bear about the same, so the larger plunger has the lower
      # pressure.
      def loads
        told = @series.models.filter_map do |model|
          bore, bar = @series.traits.merge(model.traits).values_at("plunger_mm", "pressure_bar")
          [model, bore, bar * Math::PI / 4 * (bore**2) / 10_000] if [bore, bar].all?(Numeric)
        end
        told.filter_map do |model, bore, load|
          most = told.reject { |_, other, _| other == bore }.map(&:last).max
          next unless most && load > most * LOAD

          warning("models.#{model.designation}.traits.pressure_bar",
                  "presses #{Plain.number(load.round(1))} kN on a plunger of #{Plain.number(bore)} mm, its sisters bear " \
                  "#{Plain.number(most.round(1))} kN at most: check pressure and plunger.")
        end
      end

      def median(values) = values.size > 2 ? values.sort[values.size / 2] : nil

      def sold
        usual = median(@series.models.map(&:popularity)) or return []
        @series.models.select { |model| model.popularity > usual * SOLD }.map do |model|
          warning("models.#{model.designation}.popularity",
                  "is #{Plain.number(model.popularity)} beside #{Plain.number(usual)}: it would win every guess.")
        end
      end

      def rods
        @series.models.select { |model| model.rod_mm && model.stroke_mm && !ROD.cover?(model.rod_mm / (model.stroke_mm / 2.0)) }.map do |model|
          warning("models.#{model.designation}.rod_mm", "is #{Plain.number(model.rod_mm)} for a stroke of #{Plain.number(model.stroke_mm)}: a " \
                                                        "connecting rod is longer than the stroke, and not #{ROD.max} times the crank.")
        end
      end

      def ports
        each_trait.select do |_, _, value|
          value.is_a?(String) && value.start_with?("G ") && !PIPE.include?(value.delete_prefix("G "))
        end.map do |place, trait, value|
          warning("#{place}.#{trait}", "“#{value}” is no pipe thread: G 1/4, G 3/8, G 1/2, G 3/4, G 1 …")
        end
      end

      def upside_down
        each_trait.select { |_, _, value| value.is_a?(Range) && value.begin >= value.end }.map do |place, trait, value|
          error("#{place}.#{trait}", "is from #{value.begin} up to #{value.end}: the smaller figure stands under from.")
        end
      end

      def each_trait
        [["traits", @series.traits], *@series.models.map do |model|
          ["models.#{model.designation}.traits", model.traits]
        end].flat_map do |place, traits|
          traits.map { |trait, value| [place, trait, value] }
        end
      end

      def warm
        @series.models.select { |model| model.service&.fetch("temperature_c", nil)&.<(LEAST_WARM) }.map do |model|
          warning("models.#{model.designation}.service",
                  "bears #{model.service['temperature_c']} °C at most: any valve bears water of #{LEAST_WARM} °C. Check the point.")
        end
      end

      def shares
        @series.serial_breaks.reject { |one| SHARE.cover?(one.share_from) }.map do |one|
          warning("serial_breaks.#{one.id}.share_from", "is #{one.share_from}: nobody would have a pump of the other side.")
        end
      end

      # What comes off weighs less than the pump.
      def masses
        lightest = [*@series.models.filter_map { |model| model.traits["mass_kg"] }, @series.traits["mass_kg"]].compact.min or return []
        @series.groups.select { |group| group.mass_kg && !group.mass_kg.between?(LEAST_KG, lightest) }.map do |group|
          error("groups.#{group.id}.mass_kg", "is #{Plain.number(group.mass_kg)} kg; the lightest pump weighs #{Plain.number(lightest)}, and " \
                                              "what comes off at least #{LEAST_KG}: check the point.")
        end
      end

      # What all the others have on file.
      def lacking
        return [] if @series.models.size < 3

        (NEEDED - @series.traits.keys).filter_map do |trait|
          without = @series.models.reject { |model| model.traits.key?(trait) }
          warning("models.#{without.first.designation}.traits", "has no #{trait}; all the others have one.") if without.one?
        end
      end

      def amounts
        places = { "groups" => @series.groups, "areas" => @series.areas, "close_order" => @series.close_order.select(&:id) }
        entries = places.flat_map { |list, all| all.map { |entry| ["#{list}.#{entry.id}", entry] } }
        entries.flat_map { |place, entry| entry.consumables.filter_map { |usage| amount(place, usage) } }
      end

      def amount(place, usage)
        pack = @series.consumable(usage.consumable)&.pack
        return if pack.nil? || usage.amount <= pack * PACKS

        takes = "takes #{Plain.number(usage.amount)} of #{usage.consumable} a #{usage.per}"
        warning("#{place}.consumables", "#{takes}; a pack has #{Plain.number(pack)}: check the amount.")
      end

      # A figure of the finish stays within the rating that it is made of, in its unit.
      def finish
        @series.finish.select(&:figure).flat_map do |entry|
          trait, times, unit = entry.figure.values_at("trait", "times", "unit")
          known = @traits[trait]&.unit
          [("is #{times} times #{trait}, which is the most that is allowed: it is less than that." if times.to_r > 1 && rated?(trait)),
           ("is told in #{unit}, and #{trait} is in #{known}." if known && known != unit)].compact.map do |text|
            error("finish",
                  "“#{entry.text[0, 40]}”: its figure #{text}")
          end
        end
      end

      def rated?(trait) = @traits[trait]&.kind_id == "rated"
    end
  end
end
