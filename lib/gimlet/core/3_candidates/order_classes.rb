# frozen_string_literal: true

require "digest"
require_relative "../value"

module Gimlet
  module Core
    module Candidates
      # Candidates that need exactly the same parts, tools and tightening for the agreed work.
      OrderClass = Value.of(:id, :probability, :variants)

      # Sums belief by order class. An order may be placed when one class is sure enough, however many
      # models are left in it.
      module OrderClasses
        ENOUGH = 0.95

        module_function

        # @param ids [Array<String>] the class of each candidate
        # @param probabilities [Array<Float>]
        # @return [Array<OrderClass>] the likeliest first
        def call(variants, ids, probabilities)
          ids.each_index.group_by { |at| ids[at] }.map do |id, members|
            OrderClass.new(id: id, probability: members.sum { |at| probabilities[at] },
                           variants: members.sort_by { |at| -probabilities[at] }.map { |at| variants[at] })
          end.sort_by { |one| [-one.probability, one.id] }
        end

        # @return [String] short and the same on every machine and run
        def id(signature) = Digest::SHA256.hexdigest(signature.inspect)[0, 8]

        def enough?(classes) = !classes.empty? && classes.first.probability >= ENOUGH
      end
    end
  end
end
