# frozen_string_literal: true

require_relative "../support/app"
require_relative "../support/synthetic_catalogue"

# Catalogues made by chance must pass through the schema, the doctor and the database like those made by hand.
class SyntheticTest < Minitest::Test
  include SeededApp

  FRAME = [{ "id" => "frame", "kind" => "chosen", "name" => "frame", "ask" => "Which frame?", "seconds" => { "phone" => 20 } }].freeze

  def test_made_up_catalogues_are_imported_and_read_back
    documents = SyntheticCatalogue.new(Random.new(Minitest.seed)).documents(6)
    store = Gimlet::Store::Catalogue.new(database)
    before = store.snapshot.counts
    vocabulary = Gimlet::Counter::CurrentReference.vocabulary_of(database).extended("traits" => FRAME)
    Gimlet::Counter::ImportCatalogue.new(store, vocabulary).call(documents.to_h { |document| [document["series"]["id"], document] })
    documents.each { |document| assert_equal document, store.document(document["series"]["id"]) }
    assert_equal before[:models] + (6 * SyntheticCatalogue::MODELS_A_SERIES), store.snapshot.counts[:models]
  end

  def test_a_catalogue_of_another_process_is_noticed
    store = Gimlet::Store::Catalogue.new(database)
    old = store.snapshot
    other = Gimlet::Store.connect(database.opts[:database])
    Gimlet::Store::Catalogue.new(other).import_all(SyntheticCatalogue.new(Random.new(1)).documents(1))
    refute_equal old.version, store.snapshot.version
  ensure
    other&.disconnect
  end
end
