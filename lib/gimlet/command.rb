# frozen_string_literal: true

require "json"
require_relative "core/input_error"
require_relative "core/doctor/doctor"
require_relative "counter/import_catalogue"
require_relative "counter/references"
require_relative "exchange/catalogue_files"
require_relative "exchange/price_list"
require_relative "exchange/vocabulary_files"
require_relative "store/catalogue"
require_relative "store/customers"
require_relative "store/database"
require_relative "store/settings"
require_relative "store/stock"

module Gimlet
  # The commands of bin/gimlet and the seeding of the demo.
  class Command
    USAGE = <<~TEXT
      gimlet import FILE|DIR   catalogue documents into the database; all or nothing
      gimlet remove SERIES     takes a series out of the catalogue; orders keep what they say
      gimlet export DIR        every series as a catalogue document
      gimlet prices FILE.csv   prices and stock (number,price,on_hand,pack)
      gimlet vocabulary FILE   the shop's own words, on top of those that ship (docs/vocabulary.md)
      gimlet doctor            what looks wrong in the catalogue
      gimlet backup FILE       a copy of the whole database
    TEXT
    DEMO = File.expand_path("../../data/demo", __dir__)

    # @param database [Sequel::Database]
    def initialize(database, out: $stdout)
      @database = database
      @out = out
      @catalogue = Store::Catalogue.new(database)
    end

    # @param arguments [Array<String>]
    # @return [Boolean] whether it went well
    def call(arguments)
      verb, path = arguments
      case [verb, arguments.size]
      when ["import", 2] then import(path)
      when ["export", 2] then export(path)
      when ["remove", 2] then remove(path)
      when ["prices", 2] then prices(path)
      when ["vocabulary", 2] then vocabulary(path)
      when ["backup", 2] then backup(path)
      when ["doctor", 1] then doctor
      else usage
      end
    rescue Core::InputError, SystemCallError => e
      @out.puts e.message
      false
    end

    # Demo catalogue, stock and customers; tickets and orders are left alone.
    def seed
      import(File.join(DEMO, "catalogue"))
      prices(File.join(DEMO, "stock.csv"))
      customers = JSON.parse(File.read(File.join(DEMO, "customers.json")), symbolize_names: true)
      Store::Customers.new(@database).put(customers)
    end

    private

    def import(path)
      documents = Exchange::CatalogueFiles.read(path)
      report(Counter::ImportCatalogue.new(@catalogue, Counter::References.vocabulary_of(@database)).call(documents))
      @out.puts "Imported #{documents.size} series."
      true
    end

    def remove(id)
      if @catalogue.remove(id)
        @out.puts "Took #{id} out of the catalogue."
        return true
      end
      @out.puts "There is no series “#{id}”: it is one of #{@catalogue.documents.map { |one| one['series']['id'] }.join(', ')}."
      false
    end

    def export(folder)
      files = Exchange::CatalogueFiles.write(@catalogue.documents, folder)
      @out.puts "Wrote #{files.size} series to #{folder}."
      true
    end

    def prices(path)
      rows = Exchange::PriceList.parse(File.read(path))
      Store::Stock.new(@database).put(rows)
      @out.puts "Took #{rows.size} prices."
      true
    end

    def vocabulary(path)
      text = File.read(path, encoding: "UTF-8")
      rows = Exchange::VocabularyFiles.parse(text)
      Store::Settings.new(@database)[Counter::References::VOCABULARY] = text
      @out.puts "Took #{rows.sum { |_, some| some.size }} rows of the shop's vocabulary."
      true
    end

    def backup(path)
      if File.exist?(path)
        @out.puts "#{path} is there already: name a new file."
        return false
      end
      @database.run("VACUUM INTO #{@database.literal(path)}")
      @out.puts "Copied the database to #{path}."
      true
    end

    def doctor
      vocabulary = Counter::References.vocabulary_of(@database)
      stock = Store::Stock.new(@database).all
      findings = @catalogue.snapshot.series.flat_map { |one| Core::Doctor.call(one, vocabulary) + Core::Doctor.unpriced(one, stock) }
      report(findings)
      @out.puts findings.empty? ? "Nothing looks wrong." : "#{findings.size} findings."
      findings.none?(&:error?)
    end

    def report(findings)
      findings.each { |one| @out.puts "#{one.level}: #{one.place}: #{one.text}" }
    end

    def usage
      @out.puts USAGE
      false
    end
  end
end
