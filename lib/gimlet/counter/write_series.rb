# frozen_string_literal: true

require_relative "../core/1_catalogue/build"
require_relative "../core/doctor/doctor"
require_relative "../core/drafting/effects"
require_relative "../core/drafting/place"
require_relative "../core/drafting/sourcing"
require_relative "../core/drafting/unread"
require_relative "../core/input_error"
require_relative "../core/value"
require_relative "../exchange/catalogue_edit"
require_relative "../exchange/catalogue_format"
require_relative "../exchange/catalogue_changes"
require_relative "../exchange/reference_files"
require_relative "../exchange/typed_value"
require_relative "../store/clock"
require_relative "draft_beginnings"
require_relative "import_catalogue"
require_relative "look_up"

module Gimlet
  module Counter
    # Writing a series: drafts that are changed step by step, tried, and published.
    #
    #   write = WriteSeries.new(drafts, catalogue, vocabulary, who: "Adela")
    #   draft = write.begin("from" => "blank", "name" => "Coined AB")
    #   write.edit(draft.id, 1, [{"at" => ["series", "manual"], "text" => "AB sheet 1"}])
    class WriteSeries
      # `faults` are of the format, as sentences; `series` what the document makes, nil while there are any; `remarks` of the doctor;
      # `changes` beside what is on file, as they are typed.
      DraftStatus = Core::Value.of(:draft, :faults, :series, :remarks, :changes)

      # @param drafts [Store::Drafts]
      # @param catalogue [Store::Catalogue]
      # @param vocabulary [Core::Readings::Vocabulary]
      def initialize(drafts, catalogue, vocabulary, who:)
        @drafts = drafts
        @catalogue = catalogue
        @vocabulary = vocabulary
        @who = who
      end

      # @param request [Hash{String=>Object}] of the OpenAPI schema NewDraft
      # @param sighting [Sightings::Sighting, nil] of a pump that no catalogue has
      # @return [DraftStatus]
      # @raise [Core::InputError]
      def begin(request, sighting: nil)
        document, on = DraftBeginnings.new(@catalogue, @vocabulary).call(request, sighting)
        state(@drafts.begin(title(document), document, who: @who, series_id: on, based_on: on && @catalogue.digest(on)))
      end

      # @param id [Integer]
      # @return [DraftStatus]
      # @raise [Core::InputError] when there is no such draft
      def find(id) = state(known(id))

      # All of the edits, or none.
      # @param version [Integer] that they were made on
      # @param edits [Array<Hash{String=>Object}>] of the OpenAPI schema DraftEdit
      # @return [DraftStatus]
      # @raise [Core::InputError]
      def edit(id, version, edits)
        draft = known(id)
        document = draft.document
        edits.each { |one| edited(document, one) }
        document = sourced(document, edits) if edits.any? { |one| one["source"] }
        state(@drafts.change(id, version, document, who: @who, title: title(document)))
      end

      # @return [Array<Core::Drafting::Effect>] what publishing it would do to orders
      # @raise [Core::InputError] while it is not sound
      def effects(id)
        state = sound(id)
        Core::Drafting::Effects.of(on_file(state), state.series)
      end

      # @param mark [Integer] version that was looked at
      # @param note [String] why
      # @return [String] id of the series
      # @raise [Core::InputError] nothing was published
      def publish(id, mark, note)
        draft = known(id)
        draft.version == mark || Core::InputError.reject("version", "changed", "The draft was changed since you looked: look at what it does again.")
        moved = draft.series_id && @catalogue.digest(draft.series_id) != draft.based_on
        moved && Core::InputError.reject("draft", "series_changed", "#{draft.series_id} was published anew since this draft was begun: begin again.")
        ImportCatalogue.new(@catalogue, @vocabulary).call({ draft.title => draft.document.reject { |_, list| list == [] } }, who: @who, note: note)
        @drafts.give_up(id)
        draft.document["series"]["id"]
      end

      # Takes the last publication of a series back: what stood before it is on file again, or nothing where nothing stood. Taken back once more, it
      # goes further back, never forward to what was taken back.
      # @param number [Integer] the revision that is taken back: the last one
      # @return [Integer, nil] the revision that is on file again
      # @raise [Core::InputError] when that is not the last one
      def take_back(series_id, number)
        rows = revisions(series_id)
        last = rows.first
        last[:number] == number ||
          Core::InputError.reject("number", "not_the_last",
                                  "Revision #{number} is not the last of #{series_id}: #{last[:number]} is. Look at them again.")
        before = rows.find { |row| row[:number] < (last[:restores] || number) }
        stand_again(series_id, before && (before[:restores] || before[:number]), "takes revision #{number} back")
      end

      # @param number [Integer] a revision that was published before
      # @return [Integer] the same
      # @raise [Core::InputError]
      def bring_back(series_id, number)
        revisions(series_id).any? { |row| row[:number] == number && row[:digest] } ||
          Core::InputError.reject("number", "no_such_revision", "#{series_id} has no revision #{number} that could be brought back.")
        stand_again(series_id, number, "brings revision #{number} back")
      end

      # @return [Core::Catalogue::Series, nil] what the draft would take the place of
      def on_file(state)
        document = state.draft.series_id && @catalogue.document(state.draft.series_id)
        document && Core::Catalogue::Build.call(document)
      end

      # @return [DraftStatus]
      # @raise [Core::InputError] while the document cannot be worked out
      def sound(id)
        state = find(id)
        state.series || Core::InputError.reject("draft", "unfinished", "The draft is not whole yet: #{state.faults.first}")
        state
      end

      private

      def revisions(series_id)
        rows = @catalogue.revisions(series_id)
        rows.any? ? rows : Core::InputError.reject("series", "unknown", "There is no series “#{series_id}”.")
      end

      def stand_again(series_id, number, note)
        document = number && @catalogue.revision(series_id, number)
        return @catalogue.remove(series_id, who: @who, note: note) && nil unless document

        ImportCatalogue.new(@catalogue, @vocabulary).call({ series_id => document }, who: @who, note: note, restores: number)
        number
      end

      def known(id)
        @drafts.find(id) || Core::InputError.reject("draft", "no_such_draft", "There is no draft #{id} any more: it was published or given up.")
      end

      def title(document) = [document.dig("maker", "name"), document.dig("series", "name")].compact.join(" ")

      def state(draft)
        faults = Exchange::CatalogueFormat.faults(draft.document)
        series = faults.empty? ? Core::Catalogue::Build.call(draft.document) : nil
        remarks = series ? Core::Doctor.call(series, @vocabulary, Exchange::ReferenceFiles::TABLES) : []
        changes = Exchange::CatalogueChanges.call(draft.series_id && @catalogue.document(draft.series_id), draft.document)
        changes = changes.map { |one| one.with(was: typed(one.was), is: typed(one.is)) }
        DraftStatus.new(draft: draft, faults: faults, series: series, remarks: remarks, changes: changes)
      end

      def typed(value) = value.nil? ? nil : Exchange::TypedValue.shown(value)

      # A second person's reading is signed by who it is; what is changed has been read by nobody.
      def edited(document, edit)
        return Exchange::CatalogueEdit.apply(document, reading(document, edit)) if edit["kind"] == "read"

        was = Core::Drafting::Place.find(document, edit["at"])
        Exchange::CatalogueEdit.apply(document, edit)
        same = edit.fetch("kind", "text") == "text" && Core::Drafting::Place.find(document, edit["at"]) == was
        Core::Drafting::Unread.call(document, edit["at"]) unless same
      end

      def reading(document, edit)
        place = [*edit["at"], "checked"]
        rows = Core::Drafting::Place.find(document, place) || []
        { "at" => [*place, rows.size], "kind" => "value",
          "value" => { "who" => @who, "on" => Store::Clock.today.iso8601, "against" => edit["text"] } }
      end

      # What was typed was read somewhere: the entry is named under that source.
      def sourced(document, edits)
        edits.select { |one| one["source"] }.reduce(document) do |so_far, edit|
          list, row = edit["at"].first(2)
          row = Core::Drafting::Place.name(Core::Drafting::Place.find(so_far, [list, row])) if row.is_a?(Integer)
          Core::Drafting::Sourcing.call(so_far, [list, *row].join("."), edit["source"].merge("who" => @who))
        end
      end
    end
  end
end
