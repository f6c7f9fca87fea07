# frozen_string_literal: true

require_relative "../core/desk/movements"

module Gimlet
  module Present
    # A number on the shelf, with what the catalogue says of it.
    #
    #   Stocked.new(snapshot).row(row)[:used_in] # => "Pellwick TK4"
    class Stocked
      # Numbers that a word finds at once.
      MOST = 400
      SHOWN = %i[number price_cents pack on_hand reserved bagged shelf level].freeze

      # @param snapshot [Core::Catalogue::Snapshot]
      def initialize(snapshot)
        @snapshot = snapshot
      end

      # @param words [String, nil]
      # @return [Array<String>] numbers whose names have all the words
      def named(words)
        told = words.to_s.downcase.split
        return [] if told.empty?

        all.filter_map { |one, _| one.number if told.all? { |word| "#{one.number} #{one.name}".downcase.include?(word) } }.first(MOST)
      end

      # @param row [Hash] of the store
      # @return [Hash] of the OpenAPI schema Price
      def row(row)
        one, series = by_number[row[:number]]
        { **row.slice(*SHOWN), free: row[:on_hand] - row[:reserved], name: one&.name, used_in: series && "#{series.maker.name} #{series.name}" }
      end

      # @param movement [Hash] of the store
      # @return [Hash] of the OpenAPI schema Moved
      def movement(movement)
        { **movement.slice(:at, :who, :quantity, :order_id, :why), words: Core::Desk::Movements::WORDS.fetch(movement[:kind]) }
      end

      private

      def all
        @all ||= @snapshot.series.flat_map do |series|
          (series.kits + series.parts + series.tools + series.consumables).select(&:number).map { |one| [one, series] }
        end
      end

      def by_number = @by_number ||= all.to_h { |one, series| [one.number, [one, series]] }
    end
  end
end
