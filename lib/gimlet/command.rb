# frozen_string_literal: true

require "json"
require_relative "command/staff"
require_relative "core/input_error"
require_relative "core/doctor/doctor"
require_relative "demo"
require_relative "counter/import_catalogue"
require_relative "counter/references"
require_relative "counter/take_price_list"
require_relative "exchange/catalogue_files"
require_relative "exchange/history_csv"
require_relative "exchange/price_list"
require_relative "exchange/reference_files"
require_relative "exchange/vocabulary_files"
require_relative "store/backup"
require_relative "store/restore"
require_relative "store/catalogue"
require_relative "store/database"
require_relative "store/history"
require_relative "store/settings"
require_relative "store/stock"
require_relative "store/health"

module Gimlet
  # The commands of bin/gimlet.
  class Command
    USAGE = <<~TEXT
      gimlet import FILE|DIR   catalogue documents into the database; all or nothing; --look shows what would change
      gimlet remove SERIES     takes a series out of the catalogue; orders keep what they say
      gimlet export DIR        every series as a catalogue document
      gimlet prices FILE       prices and stock from CSV or XLSX (number, price, on_hand, pack); --look shows what would change,
                               --skip leaves out the lines that cannot be read
      gimlet vocabulary FILE   the shop's own words, on top of those that ship (docs/vocabulary.md)
      gimlet people            who may sign in, and as what
      gimlet person NAME ROLE [SECRET]   counter, bench, keeper or owner; without a secret one is made and told once
      gimlet leaves NAME       signs in no more; a script of that name is turned away
      gimlet token NAME ROLE   for a script: sent as “Authorization: Bearer …”, told once
      gimlet history FILE.csv  who did what and when, from the first entry on
      gimlet doctor            what looks wrong in the catalogue
      gimlet serve             the counter, on HOST and PORT (docs/running.md)
      gimlet backup [FILE]     a proven copy of the whole database; without a name among the others that are kept
      gimlet restore FILE      a copy in the place of the database, which nobody may be serving; what was there is set aside
      gimlet demo [--reset]    the demo data into a database of its own
    TEXT
    VERBS = { ["import", 2] => :import, ["import", 3] => :import, ["export", 2] => :export, ["remove", 2] => :remove,
              ["prices", 2] => :prices, ["prices", 3] => :prices,
              ["vocabulary", 2] => :vocabulary, ["backup", 2] => :backup, ["backup", 1] => :keep, ["restore", 2] => :restore,
              ["doctor", 1] => :doctor, ["history", 2] => :history, **Staff::VERBS,
              ["demo", 1] => :demo, ["demo", 2] => :demo }.freeze

    # @param path [String] of the database
    def initialize(path, out: $stdout)
      @path = path
      @out = out
    end

    # @param arguments [Array<String>]
    # @return [Boolean] whether it went well
    def call(arguments)
      method = VERBS[[arguments.first, arguments.size]]
      method ? send(method, *arguments.drop(1)) : usage
    rescue Core::InputError, SystemCallError => e
      @out.puts e.message
      false
    rescue Sequel::DatabaseError => e
      @out.puts Store::Health.trouble(e)&.last || e.message
      false
    end

    include Staff

    private

    def database = @database ||= Store.connect(@path, out: @out)
    def catalogue = @catalogue ||= Store::Catalogue.new(database)

    # A look says what would be otherwise, and changes nothing.
    def import(path, option = nil)
      unknown_option(option, "--look")
      documents = Exchange::CatalogueFiles.read(path)
      taking = Counter::ImportCatalogue.new(catalogue, Counter::References.vocabulary_of(database), progress: method(:progress))
      return looked(taking.look(documents)) if option

      report(taking.call(documents))
      @out.puts "Imported #{documents.size} series."
      true
    end

    def looked(look)
      report(look.warnings)
      look.changes.each do |series, changes|
        changes.each { |one| @out.puts "#{series}: #{one.place}: #{told_value(one.was)} → #{told_value(one.is)}" }
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
      @out.puts "There is no series “#{id}”: it is one of #{catalogue.documents.map { |one| one['series']['id'] }.join(', ')}."
      false
    end

    def export(folder)
      files = Exchange::CatalogueFiles.write(catalogue.documents, folder)
      @out.puts "Wrote #{files.size} series to #{folder}."
      true
    end

    # All or nothing, unless the lines that cannot be read are to be left out; a look changes nothing.
    def prices(path, option = nil)
      unknown_option(option, "--look", "--skip")
      list = Exchange::PriceList.read(path)
      take = Counter::TakePriceList.new(Store::Stock.new(database), catalogue.snapshot)
      look = take.look(list)
      list.refused.each { |why| @out.puts "not taken: #{why}" }
      look.changes.each { |one| @out.puts change(one) } if option || list.refused.empty?
      return @out.puts("Nothing was changed.") || true if option == "--look"

      @out.puts "Took #{take.call(list, mark: look.mark, skip: option == '--skip')} prices."
      true
    end

    def change(one)
      "#{one.number}: #{stocked(one.was)} → #{stocked(one.now)}#{'; it is in no catalogue: kept, and never sold' unless one.sold}"
    end

    def stocked(one) = one ? format("%.2f, %d here, pack of %d", one.price_cents / 100.0, one.on_hand, one.pack) : "new"

    def unknown_option(option, *known)
      option.nil? || known.include?(option) || Core::InputError.reject("option", "unknown_option", "“#{option}” is none of #{known.join(', ')}.")
    end

    def vocabulary(path)
      text = File.read(path, encoding: "UTF-8")
      rows = Exchange::VocabularyFiles.parse(text)
      Store::Settings.new(database)[Counter::References::VOCABULARY] = text
      @out.puts "Took #{rows.sum { |_, some| some.size }} rows of the shop's vocabulary."
      true
    end

    def backup(path)
      Store::Backup.new(database, nil).write(path)
      proven(path)
    end

    def keep = proven(Store::Backup.new(database, Store::Backup.folder(database.opts[:database])).keep)

    def proven(file)
      @out.puts "Copied to #{file}: sound, #{told(Store::Backup.proven(file))}."
      true
    end

    def restore(file)
      found = Store::Restore.new(@path).call(file)
      @out.puts "#{@path} is #{file} now: sound, #{told(found.counts)}. What was there is set aside beside it.",
                "Nobody is signed in and no script's token counts any more. These may sign in: #{found.people.join(', ')}; " \
                "whoever has left since the copy is sent away with bin/gimlet leaves NAME."
      true
    end

    def history(path)
      File.exist?(path) && Core::InputError.reject("file", "exists", "#{path} is there already: name a new file.")
      lines = File.open(path, "w", 0o600) { |file| Exchange::HistoryCSV.write(Store::History.new(database), file) }
      @out.puts "Wrote #{lines} lines to #{path}."
      true
    end

    def told(counts) = %i[series tickets orders].map { |table| "#{counts.fetch(table, 0)} #{table}" }.join(", ")

    def demo(option = "")
      option.empty? || option == "--reset" || Core::InputError.reject("option", "unknown_option", "demo takes --reset or nothing.")
      @out.puts "Put the demo data into #{@path}." if Demo.new(@path).prepare(reset: option == "--reset")
      true
    end

    def doctor
      vocabulary = Counter::References.vocabulary_of(database)
      stock = Store::Stock.new(database).all
      findings = catalogue.snapshot.series.flat_map { |one| Core::Doctor.call(one, vocabulary, Exchange::ReferenceFiles::TABLES) + Core::Doctor.unpriced(one, stock) }
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
