# frozen_string_literal: true

require_relative "../1_catalogue/shapes"
require_relative "../3_teardown/applies_to"
require_relative "../materials/service"
require_relative "../plain"
require_relative "../value"
require_relative "steps"

module Gimlet::Core
  module Plan
    # A warning with what it is drawn with, its `title` where it is folded (nil where it never is), and where it is due: `before` a section of the
    # card, `at` the title of one of its steps, nil for the whole of it.
    Caution = Value.of(:text, :picture, :title, :before, :at) do
      def initialize(picture: "mind", title: nil, before: "open", at: nil, **) = super
    end

    # The usual warnings for high-pressure pump work, those of the series, and what follows from what is on file, each once, where it is due.
    class Cautions
      # What of a pump itself they are worked out from: two pumps that differ in one of these have cautions of their own.
      TRAITS = %w[mass_kg manifold_material pressure_bar].freeze

      DEFERRAL = "This card is an aid. The maker's manual, local rules and qualified people come first."
      # Common practice, no source.
      USUAL = [
        { text: DEFERRAL, picture: "manual", title: "The maker's manual comes first", before: "part" },
        { text: "Stop the drive and lock it off, the key or plug with you. Shut the inlet and open the gun or dump valve until no pressure is " \
                "left. Prove it: the gauge at zero, and nothing comes when the gun is opened again. Where it cannot be let out, open nothing, " \
                "keep people away and call somebody qualified.", picture: "pressure", title: "No pressure left, drive locked off" },
        { text: "A high-pressure jet goes through skin. Any such injury is a medical emergency, however small it looks: hospital at once.",
          picture: "jet", title: "A jet goes through skin: hospital at once" },
        { text: "Wear eye protection: springs, clips and plugs under spring load fly.", picture: "eyes", title: "Eye protection" }
      ].freeze
      # Shapes that stand under load until they are let go.
      SPRUNG = %w[spring clip].freeze
      HELD = "A spring or clip is under load here: cover or hold it, let it out slowly, nobody's face or hand in its line."
      # Recommended weight limit for one person, in kg. Source: NIOSH lifting equation, load constant (Waters 1993).
      ONE_PERSON_KG = 23
      # Metal that is touched for ten minutes burns from here, in °C. Source: ISO 13732-1 (from memory).
      BURNS_C = 48

      # @param teardown [Teardown]
      # @param snapshot [Catalogue::Snapshot]
      # @param service [Materials::Service, nil] nil where no table is at hand
      # @return [Array<Caution>] in the order in which they are due
      def self.for(teardown, snapshot, service = nil) = new(teardown, snapshot, service).call

      def initialize(teardown, snapshot, service)
        @teardown = teardown
        @series = teardown.variant.series
        @snapshot = snapshot
        @service = service
      end

      def call
        all = USUAL.map { |row| Caution.new(**row) } + pump_weight + pumped + rubber + heavy + sprung + of_series + soft_head + first_run
        sections = %w[part open renew close finish]
        all.sort_by.with_index { |caution, at| [sections.index(caution.before), at] }
      end

      private

      # The pump itself, where it is set down and turned over.
      def pump_weight
        mass = @teardown.variant.trait("mass_kg")
        return [] unless mass.is_a?(Numeric) && mass > ONE_PERSON_KG

        [heavy_caution("The pump weighs #{Plain.number(mass)} kg: two people or a hoist where it is moved or turned over.", before: "part")]
      end

      def heavy
        @teardown.groups.select { |group| (group.mass_kg || 0) > ONE_PERSON_KG }.flat_map do |group|
          at = Steps.title(group, @teardown)
          [heavy_caution("The #{group.name} weighs #{Plain.number(group.mass_kg)} kg: two people or a hoist.", at: at),
           heavy_caution("The #{group.name} goes back on with two people or a hoist.", before: "close", at: at)]
        end
      end

      def heavy_caution(text, **due) = Caution.new(text: text, picture: "heavy", title: "Two people or a hoist", **due)

      # What is inside is on whoever opens it.
      def pumped
        hurts, heat = @service&.hurts, @service&.temperature_c
        [("It pumped #{@service.name}, which #{hurts}: flush it out before it is opened, and wear what the safety data sheet says." if hurts),
         ("It pumped at #{Plain.number(heat)} °C: let it cool before it is opened, what is left inside burns." if heat && heat >= BURNS_C)]
          .compact.map { |text| Caution.new(text: text) }
      end

      # At the first step that lets one go.
      def sprung
        group = @teardown.groups.find { |one| one.disturbs.any? { |id, slots| sprung?(id, slots) } }
        return [Caution.new(text: HELD, picture: "eyes", at: Steps.title(group, @teardown))] if group

        area = @teardown.areas.find { |one| one.stacks.any? { |id| sprung?(id) } }
        area ? [Caution.new(text: HELD, picture: "eyes", before: "renew", at: area.name)] : []
      end

      def sprung?(stack, slots = nil)
        @series.stack(stack).layers.any? { |layer| SPRUNG.include?(layer.shape) && (slots.nil? || slots.include?(layer.slot)) }
      end

      def soft_head
        return [] unless pump? && @teardown.variant.soft? && @teardown.fasteners.any?

        metal = @teardown.variant.trait("manifold_material")
        [Caution.new(text: "The manifold is #{metal}: start every thread by hand and never go over the value.", picture: "torque",
                     title: "Soft threads: never over the value", before: "close")]
      end

      def first_run
        rated = @teardown.variant.trait("pressure_bar")
        most = rated.is_a?(Range) ? rated.end : rated
        bears = " (this one: #{Plain.number(most)} bar)" if most
        [Caution.new(text: "First run: everybody away from the jet and from what was closed. Look for leaks from the side or with a sheet of " \
                           "card, never with a hand. Never above the weakest of pump, hose, gun and valve#{bears}.",
                     picture: "jet", title: "First run: away from the jet, never a hand for a leak", before: "finish")]
      end

      def pump? = @series.item == "pump"

      # Where it says so, else where what it speaks of is opened or worked on.
      def of_series
        @series.cautions.select { |caution| AppliesTo.work?(caution, @teardown) }.map do |caution|
          before, at = due(caution)
          Caution.new(text: caution.text, before: before, at: at)
        end
      end

      def due(caution)
        named = Array(caution.when)
        group, area = @teardown.groups.find { |one| named.include?(one.id) }, worked.find { |one| named.include?(one.id) }
        before = caution.before || (area && group.nil? ? "renew" : "open")
        at = before == "renew" ? area&.name : group && Steps.title(group, @teardown)
        [before, at]
      end

      # Areas that have a step of their own.
      def worked = @teardown.areas.reject { |area| @teardown.work(area).empty? }

      # A lubricant, a medium or a heat that the rubber does not bear.
      def rubber
        return [] unless @service

        own = @teardown.places.map(&:layer).uniq.map { |layer| [layer, layer.lube] }
        told = (own + smeared).flat_map { |layer, lube| parts(layer).flat_map { |part| @service.warnings(part, lube) } }
        told.uniq.map { |text| Caution.new(text: text, before: "part") }
      end

      # What the work on an area takes goes onto all that sits there.
      # @return [Array<Array(Catalogue::Layer, String)>]
      def smeared
        @teardown.areas.flat_map do |area|
          names = area.consumables.map { |usage| @series.consumable(usage.consumable).name }
          area.stacks.flat_map { |id| @series.stack(id).layers }.product(names)
        end
      end

      def parts(layer) = @series.parts_for(layer.slot, @teardown.variant).filter_map { |number| @snapshot.part(number) }
    end
  end
end
