# frozen_string_literal: true

require_relative "../2_readings/likelihoods"
require_relative "../value"

module Gimlet
  module Core
    module Desk
      # What closed tickets teach: how often each pump comes over this counter, how often callers are wrong about each trait, how often a pump
      # is in no catalogue. Practice counts as so many tickets or answers of its own (Dirichlet and beta priors), so that ten tickets do not
      # outweigh it.
      #
      #   learned = Learning.of(tickets, {"head_bolts" => 0.05})
      #   learned.mistaken["head_bolts"], learned.none
      #   Learning.weights(learned.counts, {"TK4R20" => 3.0, ...})
      module Learning
        # A ticket that is over. `pump` is what it turned out to be, nil for one in no catalogue; `told` are [trait, right?] of what a caller
        # counted or chose.
        Closed = Value.of(:pump, :told)
        # `counts` by pump and `mistaken` by trait have only what was met; `tickets` and `answers` say from how many.
        Learned = Value.of(:counts, :mistaken, :none, :tickets, :answers)

        # Practice counts as so many tickets, and as so many answers to one question. Common practice, no source.
        TICKETS = 150
        ANSWERS = 80
        # Nobody is never wrong, and nothing is told that is wrong as often as right.
        RATES = (0.005..Readings::Likelihoods::WORST).freeze

        module_function

        # @param closed [Array<Closed>]
        # @param mistaken [Hash{String=>Float}] how often callers are wrong about each trait, by practice
        # @return [Learned]
        def of(closed, mistaken)
          pumps = closed.map(&:pump)
          answers = closed.flat_map(&:told).group_by(&:first).slice(*mistaken.keys)
          Learned.new(counts: pumps.compact.tally, mistaken: answers.to_h { |trait, told| [trait, rate(told, mistaken[trait])] },
                      none: none(pumps), tickets: closed.size, answers: answers.values.sum(&:size))
        end

        # @param counts [Hash{String=>Integer}] tickets by pump
        # @param practice [Hash{String=>Numeric}] how often each pump comes over a counter
        # @return [Hash{String=>Numeric}] how often it comes over this one, in the same measure
        def weights(counts, practice)
          each = practice.values.sum.to_f / TICKETS
          practice.to_h { |pump, weight| [pump, counts.key?(pump) ? weight + (counts[pump] * each) : weight] }
        end

        def rate(told, practice)
          wrong = told.count { |_, right| !right }
          ((wrong + (practice * ANSWERS)) / (told.size + ANSWERS)).clamp(RATES)
        end

        def none(pumps)
          practice = Readings::Likelihoods::NOT_IN_CATALOGUE
          ((pumps.count(nil) + (practice * TICKETS)) / (pumps.size + TICKETS)).clamp(RATES)
        end
      end
    end
  end
end
