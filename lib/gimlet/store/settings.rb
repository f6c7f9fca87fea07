# frozen_string_literal: true

module Gimlet
  module Store
    # Small things that the counter keeps by name: the shop's vocabulary, how often the stock was changed.
    #
    #   settings["vocabulary"] = "traits: []"
    class Settings
      def initialize(database)
        @rows = database[:settings]
      end

      # @return [String, nil]
      def [](name) = @rows.where(name: name).get(:value)

      # @param value [String, nil] nil forgets it
      def []=(name, value)
        value.nil? ? @rows.where(name: name).delete : @rows.insert_conflict(:replace).insert(name: name, value: value)
      end
    end
  end
end
