# frozen_string_literal: true

require_relative "../value"
require_relative "phrase"

module Gimlet::Core
  # What can hurt somebody, heard ahead of all else, and what stands until it is lifted.
  module Safety
    # A sort of danger: `stake` is why it comes first.
    Kind = Value.of(:id, :name, :stake)

    # One danger. `first` is what is done, in the order of doing; `ask` the question where it may be meant; `lifted` what must have been seen to
    # before it goes; `signs` those of the diagnosis that mean it as well; `said` and `asks` are phrases.
    Hazard = Value.of(:id, :kind, :name, :first, :ask, :lifted, :signs, :said, :asks) do
      # @return [Boolean] whether somebody may be hurt already
      def injury? = kind.id == "injury"

      # @return [String] to be read out
      def why = kind.stake
    end

    # All of them, the gravest kind first.
    class Hazards
      # What is said with every one.
      DEFER = "The maker's manual, local rules and qualified people come first."

      # @return [Hash{String=>Hazard}] by id, in the order of their gravity
      attr_reader :all

      # @return [Array<Array<String>>] words that follow each other and tell of no danger
      attr_reader :idioms

      # @param rows [Hash] "words", "idioms", "kinds" and "hazards", string keys
      def initialize(rows)
        @names = rows["words"].transform_values(&:split)
        @idioms = rows["idioms"].split.map { |run| run.split("_") }
        kinds = rows["kinds"].to_h { |row| [row["id"], Kind.new(**row.transform_keys(&:to_sym))] }
        hazards = rows["hazards"].map { |row| hazard(row, kinds.fetch(row["kind"])) }
        @all = hazards.sort_by.with_index { |one, at| [kinds.keys.index(one.kind.id), at] }.to_h { |one| [one.id, one] }.freeze
        @by_sign = hazards.flat_map { |one| one.signs.map { |sign| [sign, one] } }.to_h.freeze
        freeze
      end

      # @return [Hazard]
      def fetch(id) = all.fetch(id)

      # @return [Array<String>] signs of the diagnosis that mean a danger
      def signs = @by_sign.keys

      # @return [Hazard, nil] that a sign of the diagnosis means
      def of_sign(sign) = @by_sign[sign]

      private

      def hazard(row, kind)
        phrases = %w[said asks].to_h { |list| [list, row.fetch(list, []).map { |text| Phrase.new(text, @names) }] }
        Hazard.new(**{ "signs" => [] }.merge(row, phrases).transform_keys(&:to_sym), kind: kind)
      end
    end
  end
end
