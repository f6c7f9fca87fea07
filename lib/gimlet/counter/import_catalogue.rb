# frozen_string_literal: true

require "digest"
require "json"
require_relative "../core/1_catalogue/build"
require_relative "../core/doctor/doctor"
require_relative "../core/drafting/effects"
require_relative "../core/input_error"
require_relative "../core/value"
require_relative "../exchange/catalogue_changes"
require_relative "../exchange/catalogue_format"
require_relative "../exchange/reference_files"
require_relative "../store/history"

module Gimlet
  module Counter
    # Catalogue documents into the store: all of them, or none.
    #
    #   taking = ImportCatalogue.new(catalogue, vocabulary)
    #   taking.dry_run("pumps.json" => document).changes # => {"coined-ab" => [...]}, nothing is changed
    #   taking.call("pumps.json" => document)           # => warnings, the document is in
    class ImportCatalogue
      MOST_FAULTS = 40

      # @param catalogue [Store::Catalogue]
      # What documents would change: series id => changes; what orders would say otherwise for it, the dangerous first; and what looks wrong
      # in them. `mark` names both sides.
      DryRun = Core::Value.of(:changes, :warnings, :effects, :mark)

      # @param vocabulary [Core::Readings::Vocabulary] that traits are checked against
      # @param progress [#call, nil] told how many of how many documents were looked at
      def initialize(catalogue, vocabulary, progress: nil)
        @catalogue = catalogue
        @vocabulary = vocabulary
        @progress = progress
      end

      # @return [Look] nothing is changed
      # @raise [Core::InputError] every fault, as `call` would say it
      def dry_run(documents)
        found = checked(documents)
        changes = documents.values.to_h { |document| [id(document), Exchange::CatalogueChanges.call(@catalogue.document(id(document)), document)] }
        DryRun.new(changes: changes, warnings: found, effects: documents.values.flat_map { |document| effects(document) }, mark: mark(documents))
      end

      # @param documents [Hash{String=>Hash}] where each comes from (a file) => one series
      # @param who [String] brings them in
      # @return [Array<Core::Doctor::Remark>] warnings; the documents are in
      # @param mark [String, nil] of the dry run that was agreed to
      # @raise [Core::InputError] every fault with its file, its place and the fix; nothing was changed
      def call(documents, who: Store::History.at_the_keyboard, mark: nil, note: "", restores: nil)
        found = checked(documents)
        mark.nil? || mark == mark(documents) ||
          Core::InputError.reject("document", "changed", "The catalogue has changed since this was looked at, or it is another document: look again.")
        @catalogue.import_all(documents.values, who: who, note: note, restores: restores)
        found
      end

      private

      def checked(documents)
        findings = documents.each_with_index.to_h do |(from, document), at|
          [from, findings(document).tap { @progress&.call(at + 1, documents.size) }]
        end
        faults = findings.flat_map { |from, found| found.select(&:error?).map { |one| [from, one] } } + doubles(documents)
        refuse(faults) if faults.any?
        findings.values.flatten
      end

      # @return [Array<Core::Drafting::Effect>] what orders would say otherwise
      def effects(document)
        before, after = [@catalogue.document(id(document)), document].map { |one| one && Core::Catalogue::Build.call(one) }
        Core::Drafting::Effects.of(before, after)
      end

      def mark(documents) = Digest::SHA256.hexdigest(JSON.generate([documents.values, @catalogue.version]))[0, 16]

      def findings(document)
        faults = Exchange::CatalogueFormat.faults(document)
        return faults.map { |text| Core::Doctor::Remark.new(level: "error", place: "", text: text) } if faults.any?

        Core::Doctor.call(Core::Catalogue::Build.call(document), @vocabulary, Exchange::ReferenceFiles::TABLES)
      end

      # The same number or designation in two series.
      def doubles(documents)
        owner = numbers(@catalogue.documents.reject { |document| documents.values.any? { |other| id(other) && id(other) == id(document) } })
        documents.flat_map do |from, document|
          next [] unless id(document)

          own = own_numbers(document)
          taken = own.select { |number| owner.key?(number) }
          own.each { |number| owner[number] ||= id(document) }
          taken.map { |number| [from, Core::Doctor::Remark.new(level: "error", place: number, text: "belongs to series #{owner[number]} already: each number to one series.")] }
        end
      end

      def id(document) = document.is_a?(Hash) && document["series"].is_a?(Hash) ? document["series"]["id"] : nil

      def numbers(documents)
        documents.each_with_object({}) { |document, all| own_numbers(document).each { |number| all[number] = id(document) } }
      end

      def own_numbers(document)
        { "models" => "designation", "parts" => "number", "kits" => "number" }.flat_map do |list, key|
          rows = document[list]
          rows.is_a?(Array) ? rows.filter_map { |row| row[key] if row.is_a?(Hash) } : []
        end.uniq
      end

      def refuse(faults)
        lines = faults.first(MOST_FAULTS).map { |from, one| [from, [one.place, one.text].reject(&:empty?).join(" ")].join(": ") }
        more = faults.size > MOST_FAULTS ? ["... and #{faults.size - MOST_FAULTS} more."] : []
        first = faults.first.last
        Core::InputError.reject(first.place, "bad_catalogue", (lines + more).join("\n"))
      end
    end
  end
end
