# frozen_string_literal: true

require_relative "../value"

module Gimlet
  module Core
    module Candidates
      # A reading that the leading candidate can only explain as a mistake; the leaders with it and without it.
      Contradiction = Value.of(:reading, :text, :leading, :without)

      # Finds the doubtful reading instead of averaging it away.
      module Contradictions
        # A fit below this is no wear or rounding any more. Common practice, no source.
        DOUBTFUL = 0.2
        LEADERS = 3

        # With this many readings that do not fit, and more than this share of them all, the pump is not in the catalogue.
        MANY = 2
        SHARE = 0.5

        module_function

        # @return [Boolean] whether the leading candidate explains what was seen
        def plausible?(posterior)
          leader = posterior.probabilities.each_index.max_by { |at| posterior.probabilities[at] }
          bad = posterior.readings.count { |one| posterior.fit(one, leader) < DOUBTFUL }
          bad < MANY || bad <= SHARE * posterior.readings.size
        end

        # @param posterior [Posterior]
        # @return [Array<Contradiction>] the worst first
        def call(field, posterior)
          leader = posterior.probabilities.each_index.max_by { |at| posterior.probabilities[at] }
          doubtful = posterior.readings.map { |one| [one, posterior.fit(one, leader)] }
                              .select { |_, fit| fit < DOUBTFUL }.sort_by(&:last)
          doubtful.map { |reading, _| found(field, posterior, reading, field.variants[leader]) }
        end

        def found(field, posterior, reading, leader)
          on_file = leader.trait(reading.trait)
          told = on_file ? " (on file: #{Readings::Reading.plain(on_file)})" : ""
          Contradiction.new(reading: reading, leading: leaders(field, posterior.probabilities),
                            without: leaders(field, posterior.without(reading)),
                            text: "“#{reading}” does not fit #{leader.designation}#{told}. Check it, or strike it out.")
        end

        def leaders(field, probabilities)
          probabilities.each_index.max_by(LEADERS) { |at| probabilities[at] }
                       .map { |at| [field.variants[at], probabilities[at]] }
        end
      end
    end
  end
end
