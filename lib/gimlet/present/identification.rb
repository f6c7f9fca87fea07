# frozen_string_literal: true

require_relative "../core/2_readings/reading"
require_relative "../core/9_identification/identify"
require_relative "../core/9_identification/pumps/pictures"
require_relative "outside"

module Gimlet
  module Present
    # An identification as the API answers it.
    #
    #   Identification.call(found)[:next_questions].first[:trait] # => "sight_glass"
    class Identification
      LEADERS = 6
      FACES = 3
      SAYING = { "again" => "Check again: ", "check" => "To be sure of the plate: ", "size" => "To be sure of the size: ", "narrows" => "" }.freeze
      MODELS = 40

      # @param result [Counter::IdentifyPump::Result]
      # @return [Hash]
      def self.call(result) = new(result).call

      def self.reading(reading)
        { trait: reading.trait, name: reading.definition.name, text: reading.to_s, value: reading.value, range: reading.range,
          unknown: reading.unknown ? true : false, denied: reading.denied ? true : false, hedged: reading.hedged ? true : false,
          unit: reading.definition.unit, observer: reading.observer, tool: reading.tool, heard: reading.heard }
      end

      # The smallest form of a reading that can be sent back.
      def self.input(input)
        { trait: input.trait, value: input.value, range: input.range, unit: input.definition.unit, observer: input.observer,
          tool: input.tool }.compact
      end

      def initialize(result)
        @result = result
        @found = result.identification
        @reference = result.reference
        @pictures = Core::Identification::Pictures.new(@reference.drawings)
      end

      def call
        { readings: @result.readings.map { |reading| self.class.reading(reading) }, heard: heard, **beliefs,
          next_questions: @found.questions.each_with_index.map { |one, at| question(one, at.zero?) },
          to_open: @found.to_open.map { |one| question(one, true) }, nearest: nearest,
          contradictions: @found.doubts.map { |one| doubt(one) },
          differences: @found.differences.map { |one| difference(one) }, plausible: @found.plausible, flow: @found.flow&.to_h,
          faces: faces, part_differences: @result.part_differences.map { |part_difference| own_parts(part_difference) } }
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

      # What it is most like where it is none of the catalogue's; `series` where it seems to be of that, in another size.
      def nearest
        return if @found.plausible

        kin = @found.kin && variant(@found.kin).series
        { model: variant(@found.candidates.first.at).id, series: kin && "#{kin.maker.name} #{kin.name}" }
      end

      def candidate(candidate)
        variant = variant(candidate.at)
        { id: variant.id, model: variant.designation, maker: variant.series.maker.name, series: variant.series.name,
          serial_range: variant.serial_range, probability: candidate.probability.round(6), order_class: candidate.order_class,
          owned: @result.owned.include?(variant.designation) }
      end

      def order_class(order_class)
        { id: order_class.id, probability: order_class.probability.round(6), models: order_class.members.first(MODELS).map { |at| variant(at).id } }
      end

      def own_parts(own_part)
        { candidate: own_part.variant.id, parts: own_part.parts.map { |part| { number: part.number, name: part.name } } }
      end

      # The leading candidates from outside, one for each series.
      def faces
        leaders = @found.candidates.first(LEADERS).select { |candidate| candidate.probability >= Core::Identification::Identify::WORTH_COMPARING }
        shown = leaders.map { |leader| variant(leader.at) }.uniq(&:series).first(FACES)
        shown.size < 2 ? [] : @pictures.beside(shown, @reference.vocabulary).map { |one| picture(one) }
      end

      def picture(picture)
        { series: picture.variant.series.name, maker: picture.variant.series.maker.name, pump: picture.variant.id, marked: picture.marked,
          views: picture.views.map { |view| shown_view(view) }, seen: seen(picture) }
      end

      # A side that was drawn before was shown before.
      def shown_view(view) = @reference.field.recall(:results, [:side, view.object_id]) { Outside.view(view) }

      # What is written beneath, where it is not alike.
      def seen(picture)
        picture.differs.filter_map do |trait|
          value = picture.variant.trait(trait.id)
          { trait: trait.id, text: "#{trait.name} #{shown(trait, value)}" } if value
        end
      end

      # The one that is asked is drawn, the others are only named.
      def question(question, asked)
        likely = asked ? @found.candidates.sort_by { |one| -one.probability }.map { |one| variant(one.at) } : []
        where = asked && @pictures.of_trait(likely.first, question.trait)
        drawn = asked ? @pictures.of_answers(question.answers, question.trait, likely) : []
        { trait: question.trait.id, name: question.trait.name, say: "#{SAYING.fetch(question.why)}#{question.trait.ask}", why: question.why,
          figure: figure(question), gain_bits: question.gain_bits.round(4), seconds: question.seconds,
          answers: question.answers.zip(drawn).map { |answer, own| answer(answer, own) }, picture: where ? picture(where) : nil }
      end

      # What a bare figure means: a count or a size, or the number of a button.
      def figure(figure)
        return "value" if figure.trait.kind.figure? || figure.trait.kind.free?

        "button"
      end

      def answer(answer, drawn)
        { value: answer.label, probability: answer.probability.round(4), leaves: answer.leaves, reading: self.class.input(answer.reading),
          picture: drawn && picture(drawn) }
      end

      def doubt(doubt)
        { trait: doubt.trait.id, key: doubt.key, text: said_of(doubt), matters: doubt.matters, leading: leaders(doubt.leading),
          without: leaders(doubt.without) }
      end

      def said_of(one)
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
        value.is_a?(Range) ? trait.kind.label(trait, value) : [Core::Readings::Reading.plain(value), trait.unit].compact.join(" ")
      end

      def difference(difference)
        { trait: difference.trait.id, name: difference.trait.name, changes_order: difference.changes_order,
          values: difference.values.map { |value| value && shown(difference.trait, value) } }
      end
    end
  end
end
