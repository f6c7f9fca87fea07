# frozen_string_literal: true

require_relative "../0_quantities/entropy"
require_relative "../2_readings/likelihoods"
require_relative "../2_readings/reading"
require_relative "../value"

module Gimlet::Core
  module Identification
    # `gain_bits` is the expected drop in order-class entropy; `why` is "narrows", "again" (a doubtful reading is checked again) or
    # "check" (a plate that nothing else has confirmed).
    Question = Value.of(:trait, :why, :gain_bits, :seconds, :answers)
    # `reading` is what choosing the answer records; `leaves` how many hypotheses it would leave.
    Answer = Value.of(:label, :probability, :leaves, :reading)

    # Which trait to ask for next: most expected drop in order-class entropy per second.
    class NextQuestion
      # Reading a question out and listening takes this long whatever is asked. Common practice, no source.
      TURN_SECONDS = 10
      # Hypotheses less likely than this share of the likeliest are left out.
      NEGLIGIBLE = 0.001
      # A question that is expected to tell less than this, in bits for each second, is not worth the caller's time.
      WORTHWHILE = 0.0009
      LEFT = 0.02
      # More hypotheses than this are stood for by so many, each drawn as often as it is likely.
      SAMPLED = 250
      SHOWN = 5
      BUTTONS = 6
      # Traits of this group are names: none of those on file is another one, not nothing.
      NAMES = "marks"

      # @param field [Field]
      # @param classes [Array<Integer>] order class of each hypothesis
      # @param alive [Remaining]
      # @param readings [Array<Readings::Reading>] with those that were not sure
      def initialize(field, classes, alive, channel:, readings:)
        @field = field
        @classes = classes
        @channel = channel
        @readings = readings
        asked = readings.map(&:trait)
        @traits = field.vocabulary.traits.values.select { |trait| trait.cost(channel) && !asked.include?(trait.id) }
        sample(alive)
      end

      # @return [Array<Question>] the best first; none when nothing would help
      def call
        before = Entropy.weighed(whole) / @total
        best = []
        @traits.map { |trait| [trait, answered(trait) / seconds(trait)] }.sort_by { |trait, odds| [-odds, trait.id] }.each do |trait, odds|
          # No answer leaves less than nothing open: what cannot come among the best is not worked out.
          break if odds * before <= (best.size < SHOWN ? WORTHWHILE : best.last.last)

          best = (best << [trait, odds * (before - after(trait))]).max_by(SHOWN) { |_, worth| worth }
        end
        best.select { |_, worth| worth > WORTHWHILE }.map { |trait, worth| question(trait, worth * seconds(trait), "narrows") }
      end

      # @param trait [Readings::Trait]
      # @return [Question] that is asked whatever it gains
      def ask(trait, why) = question(trait, 0.0, why)

      private

      def sample(alive)
        likely = alive.at_least(alive.most * NEGLIGIBLE)
        @live = likely.places
        @weights = likely.to_h
        draw if @live.size > SAMPLED
        @weight = @live.map { |at| @weights[at].to_f }
        @total = @weight.sum
        numbers = {}
        @class = @live.map { |at| numbers[@classes[at]] ||= numbers.size }
        @known = numbers.size
      end

      # @return [Array<Float>] weight of each class
      def whole = @weight.each_with_index.with_object(Array.new(@known, 0.0)) { |(w, nth), sums| sums[@class[nth]] += w }

      # Systematic sampling: equal steps along the sum of all that is alive.
      def draw
        step = @live.sum { |at| @weights[at] } / SAMPLED
        passed, marks = 0.0, 0.5
        drawn = Hash.new(0)
        @live.each do |at|
          passed += @weights[at]
          while passed >= marks * step
            drawn[at] += 1
            marks += 1
          end
        end
        @live = drawn.keys
        @weights = drawn
      end

      # What needs the pump opened, a key or the papers is not always to be had.
      def answered(trait)
        likelihoods = Readings::Likelihoods
        usual = likelihoods::ANSWERED[trait.id]
        usual = [usual, likelihoods::ANSWERED[trait.group]].min unless likelihoods::AT_HAND.include?(@channel)
        unsure = trait.group ? @readings.count { |reading| reading.unknown && reading.definition.group == trait.group } : 0
        usual * (likelihoods::AGAIN_IN_GROUP[trait.group]**unsure)
      end

      def seconds(trait) = trait.cost(@channel) + TURN_SECONDS
      def column(trait) = @field.column(trait.slot || trait.id)
      def chances(trait) = @field.chances(trait, @channel)

      def question(trait, gain, why)
        Question.new(trait: trait, why: why, gain_bits: gain, seconds: trait.cost(@channel),
                     answers: trait.kind.free? ? [] : answers(trait))
      end

      # Expected class entropy once the trait is answered; endless where nothing is on file to answer with.
      def after(trait)
        places = column(trait).places
        joint = @live.each_index.group_by { |nth| places[@live[nth]] }
        answers = matrix(trait, joint.keys).values
        answers.empty? ? Float::INFINITY : answers.sum { |chances| Entropy.weighed(heard(joint, chances)) } / @total
      end

      # Weight of each class once this answer is heard. The innermost loop of a step at the counter: no blocks, no hashes.
      def heard(joint, chances)
        sums = Array.new(@known, 0.0)
        chances.each do |place, chance|
          same = joint[place]
          index = 0
          while index < same.size
            nth = same[index]
            sums[@class[nth]] += @weight[nth] * chance
            index += 1
          end
        end
        sums
      end

      def matrix(trait, places) = chances(trait).matrix(places)

      # The likely values, and that it is another one: a value that no pump here has must be sayable.
      def answers(trait)
        places = column(trait).places
        model = chances(trait)
        shares = tally(@live) { |at| places[at] }
        likely = matrix(trait, shares.keys).select { |value, _| trait.kind.answer?(value) }
                                           .max_by(BUTTONS) { |_, chances| chances.sum { |place, chance| shares[place] * chance } }
        found = likely.map { |value, chances| answer(places, model.reading(value), trait.kind.label(trait, value), chances) }
                      .sort_by { |one| [-one.probability, one.label] }
        trait.kind.worded? && !trait.slot ? [*found, another(trait, model)] : found
      end

      def another(trait, model)
        Answer.new(label: trait.group == NAMES ? "another #{trait.name}" : "none of these", probability: 0.0, leaves: 0,
                   reading: model.reading(Readings::Kinds::Chosen::ANOTHER))
      end

      def answer(places, reading, label, chances)
        belief = @live.each_with_index.map { |at, nth| @weight[nth] * (chances[places[at]] || 0) }
        total = belief.sum
        Answer.new(label: label, probability: total / @total, leaves: belief.count { |p| p > LEFT * total }, reading: reading)
      end

      def tally(indices)
        indices.each_with_object(Hash.new(0.0)) { |at, sums| sums[yield(at)] += @weights[at] }
      end
    end
  end
end
