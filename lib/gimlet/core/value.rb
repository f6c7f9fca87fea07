# frozen_string_literal: true

require_relative "../core"

module Gimlet::Core
  # Small immutable objects.
  #
  #   Bolt = Value.of(:x_mm, :y_mm)
  #   Bolt.new(x_mm: 10, y_mm: 0).x_mm # => 10
  #   Bolt.new(x_mm: 10, y_mm: 0).with(y_mm: 5) # => another
  module Value
    # @param fields [Array<Symbol>] a field left out of `new` is nil
    # @return [Class] a Struct that takes keywords and is frozen
    def self.of(*fields, &block)
      Struct.new(*fields, keyword_init: true) do
        def initialize(**fields)
          super
          freeze
        end

        def with(**changes) = self.class.new(**to_h, **changes)
        class_eval(&block) if block
      end
    end
  end
end
