# frozen_string_literal: true

require_relative "../core/2_readings/reading"
require_relative "../core/9_identification/identify"
require_relative "../core/9_identification/pumps/pictures"
require_relative "tightening"

module Gimlet
  module Present
    # An identification as the API answers it.
    class Identification
      LEADERS = 6
      FACES = 3
      SAYING = { "again" => "Check again: ", "check" => "To be sure of the plate: ", "narrows" => "" }.freeze
      SEEN = %w[head_bolts head_bolt_drive valve_caps cap_drive].freeze
      MODELS = 40

      # @param result [Counter::IdentifyPump::Result]
      # @return [Hash]
      def self.call(result) = new(result).call

      def self.reading(one)
        { trait: one.trait, name: one.definition.name, text: one.to_s, value: one.value, range: one.range,
          unknown: one.unknown ? true : false, denied: one.denied ? true : false, hedged: one.hedged ? true : false,
          unit: one.definition.unit, observer: one.observer, tool: one.tool, heard: one.heard }
      end

      # The smallest form of a reading that can be sent back.
      def self.input(one)
        { trait: one.trait, value: one.value, range: one.range, unit: one.definition.unit, observer: one.observer, tool: one.tool }.compact
      end

      def initialize(result)
        @result = result
        @found = result.identification
        @reference = result.reference
      end

      def call
        { readings: @result.readings.map { |one| self.class.reading(one) }, heard: heard, **beliefs,
          next_questions: @found.questions.map { |one| question(one) }, contradictions: @found.doubts.map { |one| doubt(one) },
          differences: @found.differences.map { |one| difference(one) }, plausible: @found.plausible, flow: @found.flow&.to_h,
          faces: faces, part_differences: @result.part_differences.map { |one| own_parts(one) } }
      end

      private

      def heard
        one = @result.heard
        { scope: one.scope, pumps: one.pumps, unread: one.unread, complaints: one.complaints, wishes: one.wishes, unit: one.unit }
      end

      def beliefs
        { candidates: @found.candidates.map { |one| candidate(one) }, enough_to_order: @found.enough, lacking: @found.blockers,
          order_classes: @found.order_classes.map do |one|
            order_class(one)
          end, none: @found.none.round(6), pumps: @found.pumps, orders: @found.orders }
      end

      def variant(at) = @reference.variant(at)

      def candidate(one)
        variant = variant(one.at)
        { id: variant.id, model: variant.designation, maker: variant.series.maker.name, series: variant.series.name,
          serial_range: variant.serial_range, probability: one.probability.round(6), order_class: one.order_class,
          owned: @result.owned.include?(variant.designation) }
      end

      def order_class(one)
        { id: one.id, probability: one.probability.round(6), models: one.members.first(MODELS).map { |at| variant(at).id } }
      end

      def own_parts(one)
        { candidate: one.variant.id, parts: one.parts.map { |part| { number: part.number, name: part.name } } }
      end

      # Fronts of the leading candidates, one for each series.
      def faces
        leaders = @found.candidates.first(LEADERS).select { |one| one.probability >= Core::Identification::Identify::WORTH_COMPARING }
        Core::Identification::Pictures.fronts(leaders.map { |one| variant(one.at) }).first(FACES).map { |one| picture(one) }
      end

      def picture(one)
        { series: one.variant.series.name, maker: one.variant.series.maker.name, marked: one.marked, face: Tightening.face(one.face),
          points: one.points.map { |point| point.to_h.merge(order: nil) }, seen: seen(one.variant) }
      end

      # What is written beside a front, to compare.
      def seen(variant)
        SEEN.filter_map do |id|
          value = variant.trait(id)
          { trait: id, text: "#{@reference.vocabulary.trait(id).name} #{value}" } if value
        end
      end

      def question(one)
        picture = Core::Identification::Pictures.of_trait(variant(@found.candidates.first.at), one.trait)
        { trait: one.trait.id, name: one.trait.name, say: "#{SAYING.fetch(one.why)}#{one.trait.ask}", why: one.why,
          figure: figure(one), gain_bits: one.gain_bits.round(4), seconds: one.seconds,
          answers: one.answers.map { |answer| answer(answer) }, picture: picture && picture(picture) }
      end

      # What a bare figure means: a count or a size, or the number of a button.
      def figure(one)
        return "value" if one.trait.way.figure? || one.trait.way.free?

        "button"
      end

      def answer(one)
        { value: one.label, probability: one.probability.round(4), leaves: one.leaves, reading: self.class.input(one.reading) }
      end

      def doubt(one)
        { trait: one.trait.id, key: one.key, text: told(one), matters: one.matters, leading: leaders(one.leading),
          without: leaders(one.without) }
      end

      def told(one)
        leader = @reference.field.hypotheses[one.leader]
        on_file = leader.traits[one.trait.id]
        on_file = on_file.first if on_file.is_a?(Array)
        shown = on_file && !on_file.is_a?(Range) ? " (on file: #{Core::Readings::Reading.plain(on_file)})" : ""
        "“#{one.readings.join(', ')}” does not fit #{variant(one.leader).designation}#{shown}. Check it, or strike it out."
      end

      def leaders(pairs)
        pairs.map { |at, probability| { model: variant(at).id, probability: probability.round(4) } }
      end

      def shown(trait, value)
        value.is_a?(Range) ? trait.way.label(trait, value) : [Core::Readings::Reading.plain(value), trait.unit].compact.join(" ")
      end

      def difference(one)
        { trait: one.trait.id, name: one.trait.name, changes_order: one.changes_order,
          values: one.values.map { |value| value && shown(one.trait, value) } }
      end
    end
  end
end
