# frozen_string_literal: true

require_relative "../core"

module Gimlet::Core
  # How figures and ids are said where people read them.
  #
  #   Plain.number(20.0)          # => "20"
  #   Plain.number(20.26, 1)      # => "20.3"
  #   Plain.name("support_ring")  # => "support ring"
  #   Plain.name("small_oring")   # => "small O-ring"
  module Plain
    module_function

    # @param value [Numeric]
    # @param digits [Integer, nil] after the point; nil keeps them all
    # @return [String] without a point where there is nothing behind it
    def number(value, digits = nil)
      shown = digits ? value.to_f.round(digits) : value
      shown = shown.to_f if shown.is_a?(Rational) && shown.denominator != 1
      (shown == shown.to_i ? shown.to_i : shown).to_s
    end

    # For what has no name of its own.
    # @param id [String]
    # @return [String]
    def name(id) = id.to_s.tr("_", " ").gsub(/\borings?\b/) { |ring| ring.sub("oring", "O-ring") }
  end
end
