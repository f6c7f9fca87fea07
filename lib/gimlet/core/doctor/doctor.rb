# frozen_string_literal: true

require_relative "../value"
require_relative "assembly"
require_relative "bolts"
require_relative "directions"
require_relative "remark"
require_relative "families"
require_relative "from_outside"
require_relative "goods"
require_relative "magnitudes"
require_relative "orders"
require_relative "places"
require_relative "pumps"
require_relative "reach"
require_relative "references"
require_relative "hosts"
require_relative "lists"
require_relative "passing"
require_relative "replacements"
require_relative "reuse"
require_relative "rings"
require_relative "sentences"
require_relative "part_sizes"
require_relative "sold_sets"
require_relative "spoken"
require_relative "springs"
require_relative "tightness"
require_relative "ways_of_tightening"

module Gimlet::Core
  # Reads a series as a careful colleague would and says what cannot be right. A finding is about the data; it
  # changes no answer.
  class Doctor
    # Later checks rest on what earlier ones made sure of.
    ROUNDS = [[References],
              [Pumps, Goods, PartSizes, Families, SoldSets, Replacements, Reuse, Places, FromOutside, Bolts, Tightness, Magnitudes, Reach,
               Directions, Rings, Springs, Spoken, Lists, Hosts, WaysOfTightening, Assembly, Passing],
              [Orders]].freeze

    # What a series is held against: `traits` by id, those that it defines included, and Materials::Table, nil where not at hand; and its own
    # `sentences`, once its references are sound.
    Known = Value.of(:traits, :elastomers, :sentences)

    # @param series [Catalogue::Series]
    # @param vocabulary [Readings::Vocabulary, nil]
    # @param tables [#elastomers, nil] the published tables
    # @return [Array<Remark>]
    def self.call(series, vocabulary = nil, tables = nil)
      known = Known.new(traits: vocabulary&.extended("traits" => series.trait_definitions)&.traits, elastomers: tables&.elastomers)
      found = []
      ROUNDS.each do |checks|
        found += checks.flat_map { |check| check.new(series, known).call }
        break if found.any?(&:error?)

        known = known.with(sentences: Sentences.of(series)) unless known.sentences
      end
      found.map { |one| one.with(place: "#{series.id} #{one.place}") }
    end

    # @param series [Catalogue::Series]
    # @param stock [Hash{String=>KitPlan::Stock}]
    # @return [Array<Remark>] what cannot be sold
    def self.unpriced(series, stock)
      (series.kits.map(&:number) - stock.keys).map do |number|
        Remark.new(level: "warning", place: "#{series.id} kits.#{number}", text: "has no price.")
      end
    end
  end
end
