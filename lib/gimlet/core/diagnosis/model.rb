# frozen_string_literal: true

require_relative "../value"

module Gimlet
  module Core
    module Diagnosis
      # Something that may have gone. `areas` are work areas that mend it, none where the pump is not at fault; `often` its share of calls.
      Cause = Value.of(:id, :name, :areas, :often, :because) do
        def pump? = areas.any?
      end

      # Something that is noticed. `shows` is { cause id => how often the cause shows it }, `anyway` how often it is noticed without any of
      # them. A sign with `ask` can be checked in `seconds`.
      Sign = Value.of(:id, :name, :ask, :seconds, :anyway, :shows) do
        # Each cause shows it by itself (noisy-or: J. Pearl, Probabilistic Reasoning in Intelligent Systems, 1988, section 4.3).
        # @param causes [Array<Cause>] those at work
        # @return [Float] chance that it is there
        def chance(causes) = 1 - causes.reduce(1 - anyway) { |none, cause| none * (1 - shows.fetch(cause.id, 0)) }
      end

      # Causes and signs as the vocabulary has them.
      class Model
        attr_reader :causes, :signs

        # @param rows [Hash] "causes" and "signs", string keys
        def initialize(rows)
          @causes = rows["causes"].map { |row| Cause.new(**row.transform_keys(&:to_sym)) }
          @signs = rows["signs"].to_h { |row| [row["id"], Sign.new(**row.transform_keys(&:to_sym))] }
          freeze
        end

        # @return [Array<Sign>] that can be checked
        def checks = signs.values.select(&:ask)
      end
    end
  end
end
