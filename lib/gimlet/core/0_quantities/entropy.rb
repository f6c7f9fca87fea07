# frozen_string_literal: true

require_relative "../../core"

module Gimlet::Core
  # How much is left open. Source: Shannon, A Mathematical Theory of Communication (1948), section 6.
  module Entropy
    # @param weights [Array<Float>] that need not add up to 1
    # @return [Float] entropy in bits times the sum of the weights: T·log2(T) − Σ w·log2(w)
    def self.weighed(weights)
      total = weights.sum
      return 0.0 unless total.positive?

      (total * Math.log2(total)) - weights.sum { |weight| weight.positive? ? weight * Math.log2(weight) : 0.0 }
    end
  end
end
