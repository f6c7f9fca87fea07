# frozen_string_literal: true

require "fileutils"
require "json"
require "securerandom"
require_relative "core/input_error"
require_relative "counter/import_catalogue"
require_relative "counter/current_reference"
require_relative "exchange/catalogue_files"
require_relative "exchange/price_list"
require_relative "store/replacement"
require_relative "store/catalogue"
require_relative "store/clock"
require_relative "store/customers"
require_relative "store/database"
require_relative "store/lock"
require_relative "store/people"
require_relative "store/settings"
require_relative "store/stock"

module Gimlet
  # The invented world, in a database of its own: put in once, and never over anything else.
  class Demo
    DATA = File.expand_path("../../data/demo", __dir__)
    MARK = "demo"
    # The shop was filled before the three weeks of its history.
    BEGUN_S = 22 * 86_400
    PEOPLE = { "Ines" => "counter", "Tomos" => "bench", "Adela" => "keeper", "Oddny" => "owner" }.freeze

    # @param database [Sequel::Database]
    def self.seed(database)
      documents = Exchange::CatalogueFiles.read(File.join(DATA, "catalogue"))
      Counter::ImportCatalogue.new(Store::Catalogue.new(database), Counter::CurrentReference.vocabulary_of(database)).call(documents)
      Store::Stock.new(database).upsert(Exchange::PriceList.read(File.join(DATA, "stock.csv")).rows)
      Store::Customers.new(database).upsert(JSON.parse(File.read(File.join(DATA, "customers.json"), encoding: "UTF-8"), symbolize_names: true))
      Store::Settings.new(database)[MARK] = Time.now.utc.to_s
    end

    # The three weeks before this morning.
    def self.morning(database) = Morning.new(database).play

    # @param path [String] of the database
    def initialize(path)
      @path = path
    end

    # @param reset [Boolean] whether what is there is set aside first
    # @return [Boolean] whether it was put in now
    # @raise [Core::InputError] when the database is in use, or is not the demo's
    def prepare(reset: false)
      aside if reset && File.exist?(@path)
      database = Store.connect(@path)
      fresh = !mine?(database)
      if fresh
        Store::Clock.at(Time.now - BEGUN_S) { self.class.seed(database) }
        self.class.morning(database)
      end
      staff(Store::People.new(database))
      fresh
    ensure
      database&.disconnect
    end

    private

    # On its own machine they sign in with one key; from elsewhere nobody knows their secrets.
    def staff(people)
      PEOPLE.each { |name, role| people.upsert(name, role, SecureRandom.hex(16)) } unless people.any?
    end

    def aside
      refusal = Store::Lock.new(@path).refusal and Core::InputError.reject("database", "in_use", refusal)
      Store::Replacement.new(File.realdirpath(@path)).put_aside
    end

    def mine?(database)
      return true if Store::Settings.new(database)[MARK]
      return false if %i[series tickets orders customers].all? { |table| database[table].empty? }

      Core::InputError.reject("database", "not_demo", "#{@path} holds a shop's own data: the demo does not go over it. Name another in GIMLET_DB.")
    end
  end
end

require_relative "demo/morning"
