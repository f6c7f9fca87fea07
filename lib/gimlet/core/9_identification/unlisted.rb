# frozen_string_literal: true

require_relative "../2_readings/likelihoods"

module Gimlet
  module Core
    module Identification
      # What no catalogue has: something of none of its families, or one of a family in a size that is not on file. The second is like its
      # siblings in whatever does not go by size, and has any value of the rest.
      class Unlisted
        # What so many of the families with several members have several values of goes by size.
        BY_SIZE = 0.5

        # @param families [Hash{String=>Array<Integer>}] places of the members
        # @param prior [Array<Float>] of the members
        # @param none [Float] how often what comes over the counter is unlisted
        def initialize(families, prior, none)
          @members = families.values
          @shares = @members.map { |places| places.sum { |at| prior[at] } }
          @none = none
          @met, @sizes = {}.compare_by_identity, {}.compare_by_identity
        end

        # @return [Array<Float>] of no family, then of each family in another size; adds up to `none`
        def start
          known = Readings::Likelihoods::KNOWN_SERIES
          [@none * (1 - known), *@shares.map { |share| @none * known * share }]
        end

        # @param places [Array<Integer>] of each hypothesis in a column
        # @param found [Array<Float>] likelihood of an observation by place
        # @param none [Float] its likelihood for what is of no family
        # @param size [Float] and for another size, where the column goes by size
        # @return [Array<Float>] in the order of `start`
        def likelihoods(places, found, none, size = none)
          [none, *met(places).map { |own| own ? own.sum { |place| found[place] } / own.size : size }]
        end

        # @param places [Array<Integer>] of each hypothesis in a column
        # @return [Boolean] whether what stands in it goes by size
        def by_size?(places) = share_by_size(places) >= BY_SIZE

        # @return [Float] of the families with several members, those that have several values in a column
        def share_by_size(places)
          @sizes[places] ||= begin
            several = @members.select { |members| members.size > 1 }
            differing = several.count { |members| members.map { |at| places[at] }.uniq.size > 1 }
            several.empty? ? 0.0 : differing.fdiv(several.size)
          end
        end

        private

        # @return [Array<Array<Integer>, nil>] for each family the places that it has in a column, nil where that goes by size
        def met(places)
          @met[places] ||= @members.map { |members| by_size?(places) ? nil : members.map { |at| places[at] }.uniq }
        end
      end
    end
  end
end
