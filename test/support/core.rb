# frozen_string_literal: true

require "minitest/autorun"
require "yaml"
Dir[File.expand_path("../../lib/gimlet/core/**/*.rb", __dir__)].each { |file| require file }

# The demo catalogue without the store, so that the core is tested alone.
module DemoCatalogue
  DEMO = File.expand_path("../../data/demo", __dir__)

  # JSON is YAML too, and the core must not need a JSON library.
  DOCUMENTS = Dir["#{DEMO}/catalogue/*.json"].map { |file| YAML.load_file(file) }.freeze
  SNAPSHOT = Gimlet::Core::Catalogue::Snapshot.new(
    DOCUMENTS.map { |document| Gimlet::Core::Catalogue::Build.call(document) }, version: "test"
  )
  STOCK = File.readlines("#{DEMO}/stock.csv", chomp: true).drop(1).to_h do |line|
    number, price, on_hand, pack = line.split(",")
    [number, Gimlet::Core::KitPlan::Stock.new(price_cents: (price.to_r * 100).to_i, on_hand: on_hand.to_i, pack: pack.to_i)]
  end.freeze

  VOCABULARY = Gimlet::Core::Readings::Vocabulary.new(
    %w[traits work complaints words].to_h { |key| [key, YAML.load_file(File.expand_path("../../data/vocabulary/#{key}.yml", __dir__))] }
  )
  FIELD = Gimlet::Core::Identification::Field.new(Gimlet::Core::Identification::Hypotheses.of(SNAPSHOT), VOCABULARY)
  ORDER_IDS = Gimlet::Core::Identification::OrderIds.new
  ON_FILE = Gimlet::Core::Ear::Lexicon.on_file(VOCABULARY) { |id| FIELD.column(id).values }
  HAZARDS = Gimlet::Core::Safety::Hazards.new(YAML.load_file(File.expand_path("../../data/vocabulary/hazards.yml", __dir__)))
  DIAGNOSIS = Gimlet::Core::Diagnosis::Model.new(YAML.load_file(File.expand_path("../../data/vocabulary/diagnosis.yml", __dir__)),
                                                 stops: HAZARDS.signs)
  EAR = Gimlet::Core::Ear::Listener.new(
    VOCABULARY, Gimlet::Core::Ear::Names.new(Gimlet::Core::Ear::Names.exact_of(SNAPSHOT),
                                             %w[plate part_number].to_h do |id|
                                               [id, FIELD.column(id).names.method(:nearest)]
                                             end), ON_FILE, DIAGNOSIS.signs.values
  )

  def snapshot = SNAPSHOT
  def vocabulary = VOCABULARY
  def trait(id) = VOCABULARY.trait(id)
  def variant(id) = SNAPSHOT.variants.find { |variant| variant.id == id } || flunk("no #{id}")

  # @return [Hash] a copy of a demo document, to be broken
  def document(series_id)
    Marshal.load(Marshal.dump(DOCUMENTS.find { |document| document["series"]["id"] == series_id }))
  end

  def reading(trait, value = nil, **others)
    Gimlet::Core::Readings::Reading.from({ trait: trait, value: value, **others }.compact, VOCABULARY)
  end
end
