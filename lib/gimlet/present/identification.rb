# frozen_string_literal: true

require_relative "../core/2_readings/traits"
require_relative "../core/3_candidates/identify"
require_relative "../core/3_candidates/picture"
require_relative "tightening"

module Gimlet
  module Present
    # An identification as the API answers it.
    module Identification
      LEADERS = 6
      FACES = 3

      module_function

      # @param result [Counter::IdentifyPump::Result]
      def call(result)
        found = result.identification
        { readings: result.readings.map { |one| reading(one) }, heard: result.heard.to_h.slice(:scope, :pumps, :unread),
          candidates: found.candidates.map { |one| candidate(one, result.owned) }, enough_to_order: found.enough,
          order_classes: found.order_classes.map { |one| order_class(one) },
          next_questions: found.questions.map { |one| question(one, found.candidates.first.variant) },
          contradictions: found.contradictions.map { |one| contradiction(one) },
          differences: found.differences.map { |one| difference(one) },
          plausible: found.plausible, flow: found.flow&.to_h, faces: faces(found),
          part_differences: result.part_differences.map { |one| own_parts(one) } }
      end

      def reading(one)
        { trait: one.trait, name: one.definition.name, text: one.to_s, value: one.value, range: one.range,
          unknown: one.unknown ? true : false, unit: one.definition.unit, observer: one.observer, tool: one.tool,
          heard: one.heard }
      end

      # The smallest form of a reading that can be sent back.
      def input(one)
        { trait: one.trait, value: one.value, range: one.range, unit: one.definition.unit, observer: one.observer,
          tool: one.tool }.compact
      end

      def candidate(one, owned)
        variant = one.variant
        { id: variant.id, model: variant.designation, maker: variant.series.maker.name, series: variant.series.name,
          serial_range: variant.serial_range, probability: one.probability.round(6), order_class: one.order_class,
          owned: owned.include?(variant.designation) }
      end

      def order_class(one)
        { id: one.id, probability: one.probability.round(6), models: one.variants.map(&:id) }
      end

      def own_parts(one)
        { candidate: one.variant.id, parts: one.parts.map { |part| { number: part.number, name: part.name } } }
      end

      # Fronts of the leading candidates, one for each series.
      def faces(found)
        leaders = found.candidates.first(LEADERS).select { |one| one.probability >= Core::Candidates::Identify::WORTH_COMPARING }
        Core::Candidates::Pictures.fronts(leaders.map(&:variant)).first(FACES).map { |one| picture(one) }
      end

      def picture(one)
        { series: one.variant.series.name, maker: one.variant.series.maker.name, marked: one.marked, face: Tightening.face(one.face),
          points: one.points.map { |point| point.to_h.merge(order: nil) }, seen: seen(one.variant) }
      end

      # What is written beside a front, to compare.
      def seen(variant)
        %w[head_bolts head_bolt_drive valve_caps cap_drive].filter_map do |id|
          value = variant.trait(id)
          { trait: id, text: "#{Core::Readings::TRAITS.fetch(id).name} #{value}" } if value
        end
      end

      def question(one, leader)
        { trait: one.trait, name: Core::Readings::TRAITS.fetch(one.trait).name, say: one.say,
          gain_bits: one.gain_bits.round(4), seconds: one.seconds,
          answers: one.answers.map { |answer| answer(answer) },
          picture: Core::Candidates::Pictures.of_trait(leader, one.trait)&.then { |found| picture(found) } }
      end

      def answer(one)
        { value: one.label, probability: one.probability.round(4), leaves: one.leaves, reading: input(one.reading) }
      end

      def contradiction(one)
        { trait: one.reading.trait, text: one.text, leading: leaders(one.leading), without: leaders(one.without) }
      end

      def leaders(pairs)
        pairs.map { |variant, probability| { model: variant.id, probability: probability.round(4) } }
      end

      def difference(one)
        trait = Core::Readings::TRAITS.fetch(one.trait)
        { trait: one.trait, name: trait.name, changes_order: one.changes_order,
          values: one.values.map { |value| value && [Core::Readings::Reading.plain(value), trait.unit].compact.join(" ") } }
      end
    end
  end
end
