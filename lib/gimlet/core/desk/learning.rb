# frozen_string_literal: true

require_relative "../2_readings/likelihoods"
require_relative "../value"

module Gimlet::Core
  module Desk
    # What closed tickets teach: how often each pump comes over this counter, how often callers are wrong about each trait, how often a pump
    # is in no catalogue. Practice counts as so many tickets or answers of its own (Dirichlet and beta priors), so that ten tickets do not
    # outweigh it.
    #
    #   learned = Learning.of(tickets, {"head_bolts" => 0.05})
    #   learned.mistaken["head_bolts"], learned.none
    #   Learning.weights(learned.counts, {"TK4R20" => 3.0, ...}, {"TK4R20" => "pellwick-tk4", ...})
    module Learning
      # A ticket that is over. `pump` is what it turned out to be, nil for one in no catalogue; `told` are [trait, right?] of what a caller
      # counted or chose.
      Closed = Value.of(:pump, :told)
      # `counts` by pump and `mistaken` by trait have only what was met; `tickets` and `answers` say from how many.
      Learned = Value.of(:counts, :mistaken, :none, :tickets, :answers)

      # Practice counts as so many tickets for how often each series comes, as so many for how often each pump within a series, and as so many
      # answers to one question. Common practice, no source.
      SERIES = 40
      WITHIN = 15
      ANSWERS = 80
      NONE = 150
      # Nobody is never wrong, and nothing is told that is wrong as often as right.
      RATES = (0.005..Readings::Likelihoods::WORST)

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

      # A shop sees some makers' pumps far more than others': what comes of one pump tells of its siblings too.
      # @param counts [Hash{String=>Integer}] tickets by pump
      # @param practice [Hash{String=>Numeric}] how often each pump comes over a counter
      # @param families [Hash{String=>String}] series of each pump
      # @return [Hash{String=>Float}] how often it comes over this one; adds up to 1
      def weights(counts, practice, families)
        own = counts.slice(*practice.keys)
        seen, usual = sums(own, families), sums(practice, families)
        all, total = seen.values.sum, usual.values.sum.to_f
        practice.to_h do |pump, weight|
          family = families.fetch(pump)
          series = (seen.fetch(family, 0) + (SERIES * usual[family] / total)) / (all + SERIES)
          within = (own.fetch(pump, 0) + (WITHIN * weight / usual[family].to_f)) / (seen.fetch(family, 0) + WITHIN)
          [pump, series * within]
        end
      end

      def sums(numbers, families)
        numbers.each_with_object(Hash.new(0)) { |(pump, number), all| all[families.fetch(pump)] += number }
      end

      def rate(told, practice)
        wrong = told.count { |_, right| !right }
        ((wrong + (practice * ANSWERS)) / (told.size + ANSWERS)).clamp(RATES)
      end

      def none(pumps)
        practice = Readings::Likelihoods::NOT_IN_CATALOGUE
        ((pumps.count(nil) + (practice * NONE)) / (pumps.size + NONE)).clamp(RATES)
      end
    end
  end
end
