# frozen_string_literal: true

require_relative "../core/9_identification/pumps/hypotheses"

module Gimlet
  module Present
    # What was learned at this counter beside what practice says, the largest differences first.
    module Learned
      SHOWN = 10

      module_function

      # @param learn [Counter::Learn]
      # @param kept [Hash, nil] what was learned
      # @param reference [Counter::Reference]
      # @return [Hash] of the OpenAPI schema Learned
      def call(learn, kept, reference)
        { on: learn.on?, at: kept && kept["at"], tickets: kept ? kept["tickets"] : 0, answers: kept ? kept["answers"] : 0,
          none: kept && kept["none"].round(4), pumps: kept ? pumps(kept, reference) : [], traits: kept ? traits(kept, reference) : [] }
      end

      def pumps(kept, reference)
        practice = Core::Identification::Hypotheses.practice(reference.snapshot)
        here, usual = [Core::Identification::Hypotheses.learned(reference.snapshot, kept["counts"]), practice].map { |weights| shares(weights) }
        rows = usual.map { |id, share| { id: id, usual: share.round(5), here: here.fetch(id, share).round(5) } }
        rows.sort_by { |row| -(row[:here] - row[:usual]).abs }.first(SHOWN)
      end

      def shares(weights) = weights.values.sum.to_f.then { |total| weights.transform_values { |weight| weight / total } }

      def traits(kept, reference)
        rows = kept["mistaken"].filter_map do |id, rate|
          trait = reference.vocabulary.traits[id]
          trait && { name: trait.name, usual: (trait.practice || trait.mistaken).round(4), here: rate.round(4) }
        end
        rows.sort_by { |row| -(row[:here] - row[:usual]).abs }.first(SHOWN)
      end
    end
  end
end
