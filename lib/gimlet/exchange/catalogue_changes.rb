# frozen_string_literal: true

require_relative "../core/value"

module Gimlet
  module Exchange
    # What a catalogue document says otherwise than the one it would take the place of, place by place.
    #
    #   CatalogueChanges.call(before, now).first # => place, was and is of one value
    module CatalogueChanges
      # `was` and `is` are nil where there was, or is, nothing.
      Change = Core::Value.of(:place, :was, :is)
      # What rows of a list are told apart by, in this order.
      NAMES = %w[id number designation name part].freeze

      module_function

      # @param before [Hash, nil] a document
      # @param now [Hash]
      # @return [Array<Change>]
      def call(before, now) = differences("", before, now)

      def differences(place, before, now)
        return [] if before == now

        before, now = [before, now].map { |one| named(one) }
        return [Change.new(place: place, was: before, is: now)] unless before.is_a?(Hash) && now.is_a?(Hash)

        (before.keys | now.keys).flat_map { |key| differences([place, key].reject(&:empty?).join(" › "), before[key], now[key]) }
      end

      # A list whose rows all have names of their own, by these names.
      def named(value)
        return value unless value.is_a?(Array) && value.any? && value.all?(Hash)

        key = NAMES.find { |name| value.map { |row| row[name] }.then { |all| all.all?(String) && all.uniq.size == all.size } }
        key ? value.to_h { |row| [row[key], row.except(key)] } : value
      end
    end
  end
end
