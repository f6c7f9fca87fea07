# frozen_string_literal: true

require "digest"
require "json"
require_relative "../core/1_catalogue/build"
require_relative "../core/1_catalogue/snapshot"
require_relative "clock"
require_relative "history"
require_relative "settings"

module Gimlet
  module Store
    # The catalogue documents and the frozen snapshot made of them.
    #
    #   catalogue.import_all([document], who: "Adela")
    #   catalogue.snapshot.series.map(&:id) # => ["coined-ab"]
    class Catalogue
      REVISION = "catalogue revision"

      def initialize(database)
        @database = database
        @lock = Mutex.new
        @pieces = {}
        @settings = Settings.new(database)
      end

      # All or nothing. Whoever calls has made sure of the documents (Counter::ImportCatalogue).
      # @param documents [Array<Hash>] one series each, in the catalogue format
      # @param who [String]
      # @param note [String] why
      # @param restores [Integer, nil] the revision that stands again with it
      def import_all(documents, who: History.at_the_keyboard, note: "", restores: nil)
        @database.transaction(mode: :immediate) do
          documents.each do |document|
            write(document)
            revise(document["series"]["id"], JSON.generate(document), who, note, restores)
          end
          changed
          History.new(@database).note("imported", documents.map { |document| document["series"]["id"] }, who: who)
        end
      end

      # @param series_id [String]
      # @return [Array<Hash>] number, at, who, note, digest of what was published, and which revision it restores; the last first, `digest` nil
      #   where it was taken out
      def revisions(series_id)
        @database[:series_revisions].where(series_id: series_id).reverse(:number).select(:number, :at, :who, :note, :digest, :restores).all
      end

      # @param number [Integer]
      # @return [Hash, nil] the document of a revision
      def revision(series_id, number)
        text = @database[:series_revisions].where(series_id: series_id, number: number).get(:document)
        JSON.parse(text) if text
      end

      # @param at [Time]
      # @return [Array<String>] designations that the series had then
      def models_at(series_id, at)
        text = @database[:series_revisions].where(series_id: series_id) { Sequel[:at] <= at }.reverse(:number).get(:document)
        text ? JSON.parse(text)["models"].map { |model| model["designation"] } : []
      end

      # @param maker [String] as papers have it
      # @param name [String]
      # @return [String, nil] id of the series that is, or was last, called so
      def series_called(maker, name)
        known = @database[:series].join(:makers, id: :maker_id).where(Sequel[:makers][:name] => maker, Sequel[:series][:name] => name)
        known.get(Sequel[:series][:id]) || once_called(maker, name)
      end

      # @return [String, nil] digest of the document on file
      def digest(series_id) = @database[:series].where(id: series_id).get(:digest)

      # @param series_id [String]
      # @return [Boolean] whether it was there
      def remove(series_id, who: History.at_the_keyboard, note: "")
        @database.transaction(mode: :immediate) do
          next false if @database[:series].where(id: series_id).delete.zero?

          revise(series_id, nil, who, note)
          changed
          History.new(@database).note("removed", [series_id], who: who)
          true
        end
      end

      # @return [Array<Hash>] as imported
      def documents = @database[:series].order(:id).select_map(:document).map { |text| JSON.parse(text) }

      # @return [Hash, nil]
      def document(series_id)
        text = @database[:series].where(id: series_id).get(:document)
        JSON.parse(text) if text
      end

      # @return [String] names the contents; worked out again when something was imported, by this process or another
      def version
        revision = @settings[REVISION]
        @lock.synchronize do
          @version = nil if @revision != revision || revision.nil?
          @revision = revision
          @version ||= name(@database[:series].order(:id).select_map(:digest))
        end
      end

      # What the core computes on; made anew when another document was imported, by this process or another. Series that did not change
      # stay the same objects.
      # @return [Core::Catalogue::Snapshot]
      def snapshot
        digests = @database[:series].order(:id).select_map(:digest)
        version = name(digests)
        @lock.synchronize do
          next @snapshot if @snapshot&.version == version

          @pieces = digests.zip(pieces(digests)).to_h
          @snapshot = Core::Catalogue::Snapshot.new(@pieces.values, version: version, before: @snapshot)
        end
      end

      private

      def name(digests) = Digest::SHA256.hexdigest(digests.join)[0, 12]

      def pieces(digests)
        fresh = @database[:series].where(digest: digests - @pieces.keys).select_hash(:digest, :document)
        digests.map { |digest| @pieces[digest] || Core::Catalogue::Build.call(JSON.parse(fresh.fetch(digest))) }
      end

      def once_called(maker, name)
        published = @database[:series_revisions].exclude(document: nil).reverse(:id).select_map(%i[series_id document])
        published.find { |_, text| JSON.parse(text).then { |one| [one["maker"]["name"], one["series"]["name"]] == [maker, name] } }&.first
      end

      # The same document again is no other revision.
      def revise(series_id, text, who, note, restores = nil)
        last = @database[:series_revisions].where(series_id: series_id).reverse(:number).first
        digest = text && Digest::SHA256.hexdigest(text)
        return if last && last[:digest] == digest

        @database[:series_revisions].insert(series_id: series_id, number: (last ? last[:number] : 0) + 1, at: Clock.now, who: who, note: note,
                                            document: text, digest: digest, restores: restores)
      end

      def changed = @settings[REVISION] = (@settings[REVISION].to_i + 1).to_s

      def write(document)
        maker, series = document.values_at("maker", "series")
        @database[:makers].insert_conflict(target: :id, update: { name: maker["name"] }).insert(id: maker["id"], name: maker["name"])
        @database[:series].where(id: series["id"]).delete
        text = JSON.generate(document)
        @database[:series].insert(id: series["id"], maker_id: maker["id"], name: series["name"], document: text,
                                  construction: series["construction"], digest: Digest::SHA256.hexdigest(text))
        write_numbers(document, series["id"])
      end

      def write_numbers(document, series_id)
        insert(:models, document["models"].map { |row| { designation: row["designation"], series_id: series_id } })
        %i[parts kits].each do |table|
          insert(table, (document[table.to_s] || []).map { |row| { number: row["number"], name: row["name"], series_id: series_id } })
        end
        insert(:kit_contents, (document["kits"] || []).flat_map do |kit|
          kit["contents"].map { |row| { kit_number: kit["number"], part_number: row["part"], quantity: row["quantity"] } }
        end)
      end

      def insert(table, rows) = @database[table].multi_insert(rows)
    end
  end
end
