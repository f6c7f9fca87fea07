# frozen_string_literal: true

require_relative "../0_quantities/hydraulics"
require_relative "../7_tightening/ceiling"
require_relative "../7_tightening/instruction"
require_relative "../value"
require_relative "../1_catalogue/series"

module Gimlet
  module Core
    # Reads a series as a careful colleague would and says what cannot be right. A finding is about the data; it
    # changes no answer.
    class Doctor
      # `level` is "error" (an order would be wrong or incomplete) or "warning".
      Finding = Value.of(:level, :place, :text)

      # Volumetric efficiency of a sound plunger pump. Common handbook range.
      EFFICIENCY = (0.80..1.0)

      # @param series [Series]
      # @return [Array<Finding>]
      def self.call(series) = new(series).call

      def initialize(series)
        @series = series
        @variants = Catalogue::Variant.of_series(series)
      end

      def call = dangling + ambiguous + flows + torques

      private

      def dangling
        numbers = @series.parts.map(&:number)
        used = @series.fits.map(&:part) + @series.kits.flat_map { |kit| kit.contents.keys } +
               @series.parts.flat_map { |part| [part.superseded_by, *part.interchange].compact }
        (used - numbers).uniq.map { |number| error("parts", "#{number} is used but not listed under parts.") } +
          structure.map { |place, text| error(place, text) }
      end

      def structure
        @series.groups.flat_map do |group|
          bad(group.after, :group, "groups.#{group.id}.after") + bad(group.fasteners, :fastener, "groups.#{group.id}.fasteners") +
            bad(group.disturbs.keys, :stack, "groups.#{group.id}.disturbs") + bad_slots(group)
        end + @series.areas.flat_map do |area|
          bad(area.stacks, :stack, "areas.#{area.id}.stacks") + bad(area.opens, :group, "areas.#{area.id}.opens")
        end + circular
      end

      def bad(ids, kind, place)
        ids.reject { |id| @series.public_send(kind, id) }.map { |id| [place, "there is no #{kind} “#{id}”."] }
      end

      def bad_slots(group)
        group.disturbs.flat_map do |id, slots|
          stack = @series.stack(id) or next []
          slots.reject { |slot| stack.layer(slot) }
               .map { |slot| ["groups.#{group.id}.disturbs", "stack “#{id}” has no layer “#{slot}”."] }
        end
      end

      def circular
        @series.groups.select { |group| reaches?(group.id, group.id) }
               .map { |group| ["groups.#{group.id}.after", "comes off after itself."] }
      end

      def reaches?(from, goal, seen = [])
        (@series.group(from)&.after || []).any? do |id|
          id == goal || (!seen.include?(id) && reaches?(id, goal, [*seen, id]))
        end
      end

      def ambiguous
        layers = @series.stacks.flat_map(&:layers).reject { |layer| layer.reuse == "keep" }.uniq(&:slot)
        layers.product(@variants).select { |layer, variant| Catalogue::Condition.met?(layer.condition, variant) }
              .filter_map { |layer, variant| fit(layer.slot, variant) }
      end

      def fit(slot, variant)
        found = @series.parts_for(slot, variant)
        return if found.one?
        return warning("fits.#{slot}", "has no part on file on #{variant.id}.") if found.empty?

        error("fits.#{slot}", "fits #{found.join(' and ')} on #{variant.id}: only one can be right.")
      end

      def flows
        @series.models.filter_map do |model|
          traits = @series.traits.merge(model.traits)
          wanted = traits.values_at("cylinders", "plunger_mm", "speed_rpm", "flow_l_min") << model.stroke_mm
          next unless wanted.all?

          share = wanted[3] / swept(*wanted.values_at(0, 1, 2, 4))
          next if EFFICIENCY.cover?(share)

          warning("models.#{model.designation}", "rated #{wanted[3]} L/min is #{(share * 100).round} % of what bore, " \
                                                 "stroke and speed sweep.")
        end
      end

      def swept(plungers, bore, speed, stroke)
        Hydraulics.flow_l_min(plungers: plungers, bore_mm: bore, stroke_mm: stroke, speed_rpm: speed)
      end

      def torques
        @series.fasteners.flat_map do |fastener|
          thread = fastener.thread or next []
          ceiling = Ceiling.torque_nm(thread["diameter_mm"], thread["pitch_mm"], thread["property_class"]) or next []
          fastener.tightenings.filter_map(&:torque).select { |torque| torque.to("N·m").value > ceiling }.map do |torque|
            warning("fasteners.#{fastener.id}", "#{Tightening::Instruct.show(torque)} is above the " \
                                                "#{ceiling.round(1)} N·m that such a bolt commonly takes.")
          end
        end
      end

      def error(place, text) = Finding.new(level: "error", place: "#{@series.id} #{place}", text: text)
      def warning(place, text) = Finding.new(level: "warning", place: "#{@series.id} #{place}", text: text)
    end
  end
end
