# frozen_string_literal: true

require "json"
require_relative "../core/doctor/doctor"
require_relative "../counter/import_catalogue"
require_relative "../counter/references"
require_relative "../exchange/catalogue_files"
require_relative "../exchange/catalogue_format"
require_relative "../exchange/reference_files"

module Gimlet
  class Command
    # The catalogue: in, out, looked over.
    module CatalogueCommands
      VERBS = { ["import", 2] => :import, ["import", 3] => :import, ["export", 2] => :export, ["remove", 2] => :remove, ["doctor", 1] => :doctor,
                ["schema", 1] => :schema }.freeze

      private

      # A dry run says what would be otherwise, and changes nothing.
      def import(path, option = nil)
        unknown_option(option, "--dry-run")
        documents = Exchange::CatalogueFiles.read(path)
        taking = Counter::ImportCatalogue.new(catalogue, Counter::References.vocabulary_of(database), progress: method(:progress))
        return looked(taking.dry_run(documents)) if option

        report(taking.call(documents))
        @out.puts "Imported #{documents.size} series."
        true
      end

      def looked(found)
        report(found.warnings)
        found.changes.each do |series, changes|
          changes.each { |change| @out.puts "#{series}: #{change.place}: #{told_value(change.was)} → #{told_value(change.is)}" }
        end
        @out.puts "Nothing was changed."
        true
      end

      def told_value(value) = value.nil? ? "nothing" : JSON.generate(value)[0, 120]

      # How far a long import has come, to whoever watches.
      def progress(done, all)
        $stderr.print "\r#{done} of #{all} series looked at#{"\n" if done == all}" if $stderr.tty? && all > 20
      end

      def remove(id)
        if catalogue.remove(id)
          @out.puts "Took #{id} out of the catalogue."
          return true
        end
        @out.puts "There is no series “#{id}”: it is one of #{catalogue.documents.map { |document| document['series']['id'] }.join(', ')}."
        false
      end

      def export(folder)
        files = Exchange::CatalogueFiles.write(catalogue.documents, folder)
        @out.puts "Wrote #{files.size} series to #{folder}."
        true
      end

      def doctor
        vocabulary = Counter::References.vocabulary_of(database)
        stock = Store::Stock.new(database).all
        findings = catalogue.snapshot.series.flat_map do |series|
          Core::Doctor.call(series, vocabulary, Exchange::ReferenceFiles::TABLES) + Core::Doctor.unpriced(series, stock)
        end
        report(findings)
        @out.puts findings.empty? ? "Nothing looks wrong." : "#{findings.size} findings."
        findings.none?(&:error?)
      end

      # The catalogue format as JSON Schema, with all that the core declares.
      def schema
        @out.puts JSON.pretty_generate(Exchange::CatalogueFormat::DOCUMENT)
        true
      end
    end
  end
end
