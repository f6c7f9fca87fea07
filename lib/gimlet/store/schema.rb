# frozen_string_literal: true

require "sequel"
require_relative "../core/input_error"

# Times are kept and read in UTC, whatever the machine's own zone.
Sequel.default_timezone = :utc

module Gimlet
  module Store
    # The tables of a database, and how they come about: numbered migrations, each whole or not at all together with its number.
    module Schema
      MIGRATIONS = File.expand_path("migrations", __dir__)
      Sequel.extension :migration

      module_function

      # @return [Integer] of this version of Gimlet
      def newest = @newest ||= Dir[File.join(MIGRATIONS, "*.rb")].map { |file| File.basename(file).to_i }.max

      # @param database [Sequel::Database]
      # @return [Integer, nil] its version; nil when it is none of Gimlet's
      def version(database)
        # Not `table_exists?`, to which a damaged file is one without tables.
        database[:schema_info].get(:version) unless database[:sqlite_master].where(type: "table", name: "schema_info").empty?
      end

      # @return [Boolean] whether there is nothing to do
      # @raise [Core::InputError] when it is of a later version of Gimlet, or of another program
      def current?(database, path)
        found = version(database) || Core::InputError.reject("database", "not_gimlet",
                                                             "#{path} is not a database of Gimlet's: name another in GIMLET_DB.")
        found <= newest || Core::InputError.reject("database", "too_new", "#{path} was written by a later version of Gimlet: use that one.")
        found == newest
      end

      # A table that is made anew must not take with it what points at it: foreign keys are off meanwhile, and looked at afterwards.
      # @param database [Sequel::Database] that enforces no foreign keys
      # @param target [Integer] version
      # @raise [Core::InputError]
      def migrate(database, target: newest)
        Sequel::Migrator.run(database, MIGRATIONS, target: target, use_transactions: true)
        loose = database.fetch("PRAGMA foreign_key_check").first or return
        Core::InputError.reject("database", "loose_rows",
                                "Rows of #{loose[:table]} point at rows of #{loose[:parent]} that are not there: restore a copy.")
      end

      # @return [Boolean] whether it has the tables of its version, no more and no less: an earlier Gimlet could be cut short in between
      def whole?(database) = shape(database) == shape_of(version(database))

      # @return [Array<Symbol>] Gimlet's own, not those that a replica keeps its place with
      def tables(database) = database.tables.reject { |table| table.start_with?("_litestream_") }.sort

      # @return [Hash{Symbol=>Array<Symbol>}] columns by table
      def shape(database) = tables(database).to_h { |table| [table, database.schema(table).map(&:first).sort] }

      def shape_of(version) = model(version).first

      # What the database itself keeps to: how each table, index and trigger is made, by its name. Tables by their columns, whose order is no matter.
      # @return [Hash{String=>String}]
      def guards(database)
        rows = database[:sqlite_master].where(type: %w[index trigger]).exclude(sql: nil).select_map(%i[type name sql])
        rows.to_h { |type, name, sql| ["#{type} #{name}", sql.gsub(/["`]/, "").gsub(/\s+/, " ")] }
            .merge(shape(database).to_h { |table, columns| ["table #{table}", columns.join(", ")] })
      end

      # @return [Hash{String=>String}] as `guards` of a database of that version
      def guards_of(version) = model(version).last

      # A database of each version is made once, in memory.
      def model(version)
        (@models ||= {})[version] ||= Sequel.connect(adapter: "sqlite", foreign_keys: false) do |made|
          migrate(made, target: version)
          [shape(made), guards(made)]
        end
      end
    end
  end
end
