# frozen_string_literal: true

require "digest"
require_relative "../value"

module Gimlet
  module Core
    module Candidates
      # Candidates that need exactly the same parts, tools and tightening for the agreed work, the likeliest first.
      OrderClass = Value.of(:id, :probability, :variants)

      # The order class of every candidate for one scope, laid out for quick sums.
      class OrderClasses
        ENOUGH = 0.95
        SHOWN = 40

        # @return [Array<Integer>] the class of each candidate, as a place in `ids`
        attr_reader :places
        # @return [Array<String>]
        attr_reader :ids

        # @param variants [Array<Variant>]
        # @param signatures [Array] one for each candidate, compared by value
        def initialize(variants, signatures)
          @variants = variants
          distinct = {}
          @places = signatures.map { |one| distinct[one] ||= distinct.size }.freeze
          @ids = distinct.keys.map { |one| self.class.id(one) }.freeze
          @members = @places.each_index.group_by { |at| @places[at] }.freeze
        end

        # @return [String] short and the same on every machine and run
        def self.id(signature) = Digest::SHA256.hexdigest(signature.inspect)[0, 8]

        # @return [String] of a candidate
        def id_of(candidate) = ids[places[candidate]]

        # Sums belief by order class. An order may be placed when one class is sure enough, however many models are left.
        # @param probabilities [Array<Float>]
        # @return [Array<OrderClass>] the likeliest first
        def rank(probabilities)
          sums = Array.new(ids.size, 0.0)
          places.each_with_index { |place, at| sums[place] += probabilities[at] }
          sums.each_index.max_by(SHOWN) { |place| sums[place] }.map do |place|
            OrderClass.new(id: ids[place], probability: sums[place],
                           variants: members(place, probabilities))
          end
        end

        private

        def members(place, probabilities)
          @members[place].sort_by { |at| -probabilities[at] }.map { |at| @variants[at] }
        end
      end
    end
  end
end
