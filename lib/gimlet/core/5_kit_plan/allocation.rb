# frozen_string_literal: true

require_relative "../../core"

module Gimlet::Core
  module KitPlan
    # Which bought pieces serve which wanted numbers, so that as many as possible are served: augmenting paths (L. Ford, D. Fulkerson, 1956).
    #
    #   Allocation.call({ "A" => 2, "B" => 1 }, { %w[A B] => 3 }) # => { %w[A B] => { "A" => 2, "B" => 1 } }
    module Allocation
      module_function

      # @param needs [Hash{String=>Integer}] wanted number => pieces
      # @param pieces [Hash{Object=>Integer}] the number or numbers that such pieces may serve => how many
      # @return [Hash{Object=>Hash{String=>Integer}}] how many of them serve which; what is left over serves nothing
      def call(needs, pieces)
        served = pieces.transform_values { Hash.new(0) }
        needs.each_key do |wanted|
          served_by = ->(part) { served.values.sum { |all| all[part] } }
          nil while served_by.call(wanted) < needs[wanted] && serve(wanted, pieces, served, [])
        end
        served
      end

      # One piece more for this number, if need be by moving another to a number that it serves as well.
      def serve(wanted, pieces, served, seen)
        keys = pieces.keys.select { |key| Array(key).include?(wanted) } - seen
        keys.any? do |key|
          seen << key
          spare = served[key].values.sum < pieces[key] || freed(key, wanted, pieces, served, seen)
          served[key][wanted] += 1 if spare
        end
      end

      # @return [Boolean] whether one of these pieces could be taken from another number
      def freed(key, wanted, pieces, served, seen)
        other = served[key].keys.find { |part| part != wanted && served[key][part].positive? && serve(part, pieces, served, seen) } or return false
        served[key][other] -= 1
        true
      end
    end
  end
end
