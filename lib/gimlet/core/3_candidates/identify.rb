# frozen_string_literal: true

require_relative "../value"
require_relative "contradictions"
require_relative "differences"
require_relative "field"
require_relative "flow_check"
require_relative "next_question"
require_relative "order_classes"
require_relative "posterior"

module Gimlet
  module Core
    module Candidates
      Candidate = Value.of(:variant, :probability, :order_class)
      Identification = Value.of(:candidates, :order_classes, :enough, :questions, :contradictions, :differences,
                                :plausible, :flow)

      # From readings to candidates, order classes and the next question.
      class Identify
        SHOWN = 40
        COMPARED = 5
        WORTH_COMPARING = 0.01

        # @param field [Field]
        # @param classes [OrderClasses] for the agreed work
        def initialize(field, classes)
          @field = field
          @classes = classes
        end

        # @param readings [Array<Reading>]
        # @param channel [String] one of CHANNELS
        # @param owned [Array<String>] designations this customer has
        # @param chosen [String, nil] id of a candidate that is listed however unlikely it is
        # @return [Identification]
        def call(readings, channel:, owned: [], chosen: nil)
          posterior = Posterior.new(@field, readings, prior: @field.prior(owned))
          belief = posterior.probabilities
          classes, candidates = @classes.rank(belief), ranked(belief, chosen)
          Identification.new(candidates: candidates, order_classes: classes,
                             enough: classes.first.probability >= OrderClasses::ENOUGH && Contradictions.plausible?(posterior),
                             questions: questions(belief, readings, channel), differences: differences(candidates),
                             contradictions: Contradictions.call(@field, posterior),
                             plausible: Contradictions.plausible?(posterior),
                             flow: FlowCheck.call(posterior.readings, candidates.first.variant))
        end

        private

        def ranked(belief, chosen)
          shown = belief.each_index.max_by(SHOWN) { |at| belief[at] }
          picked = chosen && @field.variants.index { |one| one.id == chosen }
          (shown | [picked].compact).map do |at|
            Candidate.new(variant: @field.variants[at], probability: belief[at], order_class: @classes.id_of(at))
          end
        end

        def questions(belief, readings, channel)
          NextQuestion.new(@field, @classes.places, belief, channel: channel, asked: readings.map(&:trait)).call
        end

        def differences(candidates)
          leaders = candidates.first(COMPARED).select { |one| one.probability >= WORTH_COMPARING }
          Differences.call(leaders.map(&:variant), leaders.map(&:order_class))
        end
      end
    end
  end
end
