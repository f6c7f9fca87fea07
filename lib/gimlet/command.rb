# frozen_string_literal: true

require_relative "command/catalogue"
require_relative "command/copies"
require_relative "command/prices"
require_relative "command/staff"
require_relative "core/input_error"
require_relative "demo"
require_relative "counter/current_reference"
require_relative "exchange/history_csv"
require_relative "exchange/vocabulary_files"
require_relative "store/catalogue"
require_relative "store/database"
require_relative "store/history"
require_relative "store/settings"
require_relative "store/stock"
require_relative "store/health"

module Gimlet
  # The commands of bin/gimlet.
  class Command
    USAGE = <<~TEXT.freeze
      gimlet import FILE|DIR   catalogue documents into the database; all or nothing; --dry-run shows what would change
      gimlet remove SERIES     takes a series out of the catalogue; orders keep what they say
      gimlet export DIR        every series as a catalogue document
      gimlet bundle FILE [SERIES,SERIES]   series for another shop, with this shop's signature
      gimlet take FILE         what another shop gave: what it would replace; --trust once its fingerprint was compared by telephone,
                               --replace where it is older, or would replace what this shop wrote itself
      gimlet prices FILE       prices and stock from CSV or XLSX (number, price, on_hand, pack); --dry-run shows what would change,
                               --skip leaves out the lines that cannot be read
      gimlet vocabulary FILE   the shop's own words, on top of those that ship (docs/vocabulary.md)
      gimlet people            who may sign in, and as what
      gimlet person NAME ROLE [SECRET]   #{Core::Roles::ALL.join(', ')}; without a secret one is made and told once
      gimlet leaves NAME       signs in no more; a script of that name is turned away
      gimlet token NAME ROLE   for a script: sent as “Authorization: Bearer …”, told once
      gimlet history FILE.csv  who did what and when, from the first entry on
      gimlet schema            the catalogue format as JSON Schema
      gimlet doctor            what looks wrong in the catalogue
      gimlet serve             the counter, on HOST and PORT (docs/running.md)
      gimlet backup [FILE]     a proven copy of the whole database; without a name among the others that are kept
      gimlet restore FILE      a copy in the place of the database, which nobody may be serving; what was there is set aside;
                               --despite "OWNER: why" where the audit finds something wrong in it
      gimlet restore --from-replica [MOMENT]   what GIMLET_REPLICA has, at its latest or as it was at 2026-12-01T15:00:00Z
      gimlet audit             whether sums, promises, states, orders and the database's own guards agree
      gimlet demo [--reset]    the demo data into a database of its own
    TEXT
    VERBS = { ["vocabulary", 2] => :vocabulary, ["history", 2] => :history, ["demo", 1] => :demo, ["demo", 2] => :demo, **CatalogueCommands::VERBS,
              **PriceCommands::VERBS, **CopyCommands::VERBS, **Staff::VERBS }.freeze

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

    include CatalogueCommands
    include CopyCommands
    include PriceCommands
    include Staff

    private

    def database = @database ||= Store.connect(@path, out: @out)
    def catalogue = @catalogue ||= Store::Catalogue.new(database)

    def unknown_option(option, *known)
      option.nil? || known.include?(option) || Core::InputError.reject("option", "unknown_option", "“#{option}” is none of #{known.join(', ')}.")
    end

    def vocabulary(path)
      text = File.read(path, encoding: "UTF-8")
      rows = Exchange::VocabularyFiles.parse(text)
      Store::Settings.new(database)[Counter::CurrentReference::VOCABULARY] = text
      @out.puts "Took #{rows.sum { |_, some| some.size }} rows of the shop's vocabulary."
      true
    end

    def history(path)
      File.exist?(path) && Core::InputError.reject("file", "exists", "#{path} is there already: name a new file.")
      lines = File.open(path, "w", 0o600) { |file| Exchange::HistoryCSV.write(Store::History.new(database), file) }
      @out.puts "Wrote #{lines} lines to #{path}."
      true
    end

    def demo(option = "")
      option.empty? || option == "--reset" || Core::InputError.reject("option", "unknown_option", "demo takes --reset or nothing.")
      @out.puts "Put the demo data into #{@path}." if Demo.new(@path).prepare(reset: option == "--reset")
      true
    end

    def report(findings)
      findings.each { |finding| @out.puts "#{finding.level}: #{finding.place}: #{finding.text}" }
    end

    def usage
      @out.puts USAGE
      false
    end
  end
end
