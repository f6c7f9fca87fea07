# frozen_string_literal: true

require "json"
require_relative "../core/doctor/doctor"
require_relative "../counter/import_catalogue"
require_relative "../counter/current_reference"
require_relative "../counter/take_bundle"
require_relative "../core/plain"
require_relative "../exchange/bundle"
require_relative "../exchange/catalogue_files"
require_relative "../exchange/catalogue_format"
require_relative "../exchange/reference_files"
require_relative "../store/clock"
require_relative "../exchange/signing_key"
require_relative "../store/settings"

module Gimlet
  class Command
    # The catalogue: in, out, looked over.
    module CatalogueCommands
      VERBS = { ["import", 2] => :import, ["import", 3] => :import, ["export", 2] => :export, ["remove", 2] => :remove, ["doctor", 1] => :doctor,
                ["schema", 1] => :schema, ["bundle", 2] => :bundle,
                ["bundle", 3] => :bundle, ["take", 2] => :take, ["take", 3] => :take, ["take", 4] => :take }.freeze

      private

      # A dry run says what would be otherwise, and changes nothing.
      def import(path, option = nil)
        unknown_option(option, "--dry-run")
        documents = Exchange::CatalogueFiles.read(path)
        taking = Counter::ImportCatalogue.new(catalogue, Counter::CurrentReference.vocabulary_of(database), progress: method(:progress))
        return looked(taking.dry_run(documents)) if option

        report(taking.call(documents))
        @out.puts "Imported #{documents.size} series."
        true
      end

      # Series for another shop, signed; all of them, or those that are named with commas between.
      def bundle(path, series = nil)
        File.exist?(path) && Core::InputError.reject("file", "exists", "#{path} is there already: name a new file.")
        wanted = series&.split(",")&.map(&:strip)
        documents = catalogue.documents.select { |document| wanted.nil? || wanted.include?(document["series"]["id"]) }
        documents.empty? && Core::InputError.reject("series", "unknown", "There is no series #{series}.")
        key = Exchange::SigningKey.of(@path)
        shop = Store::Settings.new(database)["shop"] || "a shop that has no name on file"
        File.write(path, Exchange::Bundle.write(documents, shop: shop, key: key, at: Store::Clock.now.utc.strftime("%Y-%m-%dT%H:%M:%SZ")))
        @out.puts "Wrote #{documents.size} series to #{path}, signed #{Exchange::Bundle.fingerprint(key)}."
        true
      end

      # What another shop gave: its key is agreed to once, and what is older or would replace this shop's own writing is asked about.
      def take(path, *options)
        options.each { |option| unknown_option(option, "--trust", "--replace") }
        told = Exchange::Bundle.read(File.read(path, encoding: "UTF-8"))
        taking = Counter::TakeBundle.new(catalogue, Counter::CurrentReference.vocabulary_of(database))
        standing = taking.standing(told)
        introduce(told, standing)
        return ask_first(taking.dry_run(told)) unless trusted?(told, options.include?("--trust"))

        asked, clear = standing.partition { |one| !one.clear? }
        return hold_back(asked) unless asked.empty? || options.include?("--replace")

        report(taking.call(told, (clear + asked).map(&:series)))
        @out.puts "Took #{standing.size} series in."
        true
      end

      # The fingerprint stands alone on its line, so that no name can be read for it.
      def introduce(told, standing)
        @out.puts "Fingerprint of its key: #{told.fingerprint}",
                  "It calls itself “#{told.shop}” and made this on #{told.at}: #{standing.size} series.",
                  *standing.map { |one| "  #{one}" }
      end

      def ask_first(found)
        looked(found)
        @out.puts "This key is not known here: ask the other shop for its fingerprint by telephone; when it is the same, say --trust."
        false
      end

      def hold_back(asked)
        @out.puts "Nothing was changed: #{asked.map(&:series).join(', ')} would be replaced by another's or an older writing. Export yours first " \
                  "(bin/gimlet export); then --replace takes them all the same, and each can be taken back."
        false
      end

      def trusted?(told, trust)
        settings = Store::Settings.new(database)
        known = JSON.parse(settings["known shops"] || "{}")
        return true if known.key?(told.fingerprint)
        return false unless trust

        settings["known shops"] = JSON.generate(known.merge(told.fingerprint => told.shop))
        true
      end

      def looked(found)
        report(found.warnings)
        found.effects.each { |effect| @out.puts told_effect(effect) }
        found.changes.each do |series, changes|
          changes.each { |change| @out.puts "#{series}: #{change.place}: #{told_value(change.was)} → #{told_value(change.is)}" }
        end
        @out.puts "Nothing was changed."
        true
      end

      def told_effect(effect)
        areas = effect.areas.map { |area| Core::Plain.name(area) }.join(", ")
        ["#{"#{effect.danger.upcase}: " if effect.danger}#{effect.about} #{effect.what}: #{effect.was || 'nothing'} → #{effect.is || 'nothing'}",
         "#{effect.pumps.size} #{effect.pumps.size == 1 ? 'pump' : 'pumps'}", areas].reject(&:empty?).join(", ")
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
        vocabulary = Counter::CurrentReference.vocabulary_of(database)
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
