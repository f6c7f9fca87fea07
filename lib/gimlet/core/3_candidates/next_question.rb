# frozen_string_literal: true

require_relative "../2_readings/reading"
require_relative "../value"
require_relative "answer_chances"

module Gimlet
  module Core
    module Candidates
      # `gain_bits` is the expected drop in order-class entropy; `reading` is what choosing the answer would record.
      Question = Value.of(:trait, :say, :gain_bits, :seconds, :answers)
      Answer = Value.of(:label, :probability, :leaves, :reading)

      # Which trait to ask for next: most expected drop in order-class entropy per second.
      class NextQuestion
        # How often the question gets an answer at all: plates are what is missing. Common practice, no source.
        ANSWERED = Hash.new(0.9).merge("plate" => 0.5, "serial" => 0.6).freeze
        # Reading a question out and listening takes this long whatever is asked. Common practice, no source.
        TURN_SECONDS = 10
        NEGLIGIBLE = 0.001
        LEFT = 0.02
        # With more candidates alive than this, evenly spaced ones of them stand for all.
        SAMPLED = 400
        SHOWN = 5

        # @param classes [Array<Integer>] order class of each candidate
        # @param probabilities [Array<Float>]
        # @param asked [Array<String>] traits that have a reading already
        def initialize(field, classes, probabilities, channel:, asked:)
          @field = field
          @classes = classes
          @probabilities = probabilities
          @channel = channel
          @traits = Readings::TRAITS.values.select { |one| one.seconds[channel] && !asked.include?(one.id) }
          @live = alive(probabilities.max * NEGLIGIBLE)
          @total = @live.sum { |at| probabilities[at] }
        end

        # @return [Array<Question>] the best first; none when nothing would help
        def call
          before = entropy(tally(@live) { |at| @classes[at] }.values)
          scored = @traits.map { |trait| [trait, ANSWERED[trait.id] * (before - after(trait))] }
          scored.select { |_, gain| gain > NEGLIGIBLE }
                .max_by(SHOWN) { |trait, gain| gain / (trait.seconds[@channel] + TURN_SECONDS) }
                .map { |trait, gain| question(trait, gain) }
        end

        private

        def alive(least)
          live = @probabilities.each_index.select { |at| @probabilities[at] > least }
          return live if live.size <= SAMPLED

          live.sort_by { |at| -@probabilities[at] }.each_slice((live.size.to_f / SAMPLED).ceil).map(&:first)
        end

        def chances(trait) = AnswerChances.new(@field.column(trait.id).values, trait, @channel)

        def question(trait, gain)
          Question.new(trait: trait.id, say: trait.say, gain_bits: gain, seconds: trait.seconds[@channel],
                       answers: chances(trait).free? ? [] : answers(trait))
        end

        # Expected class entropy once the trait is answered; endless where nothing is on file to answer with.
        def after(trait)
          joint = Hash.new { |all, place| all[place] = Hash.new(0.0) }
          places = @field.column(trait.id).places
          @live.each { |at| joint[places[at]][@classes[at]] += @probabilities[at] }
          answers = chances(trait).matrix(joint.keys).values
          answers.empty? ? Float::INFINITY : answers.sum { |chances| posterior_entropy(joint, chances) }
        end

        # Entropy of the classes once this answer is heard, weighted with how likely it is heard.
        def posterior_entropy(joint, chances)
          classes = Hash.new(0.0)
          chances.each { |place, chance| joint[place].each { |one, p| classes[one] += p * chance } }
          classes.values.sum / @total * entropy(classes.values)
        end

        def answers(trait)
          column = @field.column(trait.id)
          model = chances(trait)
          model.matrix(@live.map { |at| column.places[at] }.uniq).reject { |value, _| model.blank?(value) }
               .map { |value, chances| answer(column, model.reading(value), label(trait, value), chances) }
               .sort_by { |one| [-one.probability, one.label] }.first(6)
        end

        def answer(column, reading, label, chances)
          belief = @live.map { |at| @probabilities[at] * (chances[column.places[at]] || 0) }
          total = belief.sum
          Answer.new(label: label, probability: total / @total, leaves: belief.count { |p| p > LEFT * total }, reading: reading)
        end

        def label(trait, value)
          case trait.kind
          when :serial then serials(value.begin, value.end)
          else [Readings::Reading.plain(value), trait.unit].compact.join(" ")
          end
        end

        def serials(first, ending)
          return "before #{ending}" unless first

          ending ? "#{first} to #{ending - 1}" : "#{first} or later"
        end

        def tally(indices)
          indices.each_with_object(Hash.new(0.0)) { |at, sums| sums[yield(at)] += @probabilities[at] }
        end

        def entropy(weights)
          total = weights.sum
          weights.sum { |one| one.positive? ? -(one / total) * Math.log2(one / total) : 0.0 }
        end
      end
    end
  end
end
