# frozen_string_literal: true

require "sequel"
require_relative "../core/input_error"
require_relative "backup"
require_relative "renumbered"
require_relative "replacement"
require_relative "retention"
require_relative "schema"

module Gimlet
  module Store
    # A database of an earlier version becomes one of this: on a copy, which takes the place of the old file when it is proven. Cut short at any
    # point, the old file is as it was, and the next start begins anew.
    #
    #   Upgrade.new("/srv/gimlet/gimlet.sqlite3").call # => 8, the version it came from
    class Upgrade
      # @param path [String] of a database that nobody else has open
      # @param out [#puts] told what is done
      def initialize(path, out: $stdout)
        @path = path
        @out = out
        @folder = Backup.folder(path)
        @replacement = Replacement.new(path)
      end

      # @return [Integer] the version it came from; the file is of this version now
      # @raise [Core::InputError] the file is as it was
      def call
        from = whole
        version = Backup.read_only(from) { |old| Schema.version(old) }
        @replacement.prepare do |fresh|
          Backup.copy(from, fresh)
          migrated(fresh)
          keep(from)
        end
        # What was half-done is left for whoever looks at it.
        @replacement.finish(aside: from != @path)
        @out.puts "#{@path} was brought from version #{version} to #{Schema.newest}; a copy of before is in #{@folder}."
        version
      end

      private

      # @return [String] the file to go on from: the database, or the copy that an earlier upgrade which was cut short had made of it
      def whole
        return @path if Backup.read_only(@path) { |old| known?(old) }

        rows = Backup.read_only(@path) { |old| Backup.growing(old) }
        found = Dir[File.join(@folder, "gimlet-*#{Retention::BEFORE_UPGRADE}*.sqlite3")].reverse.find { |copy| serves?(copy, rows) }
        found || Core::InputError.reject("database", "half_upgraded",
                                         "#{@path} bears version #{version} and has not that version's tables: #{unlike}. It was altered by hand, " \
                                         "or an upgrade was cut short; no copy of before has all of its rows. Restore a copy with " \
                                         "bin/gimlet restore FILE.")
        @out.puts "An upgrade of #{@path} was cut short by an earlier version: going back to #{found}."
        found
      end

      def known?(old) = Schema.whole?(old) || Renumbered.form(old)

      def version = Backup.read_only(@path) { |old| Schema.version(old) }

      # Tables that are not as they should be.
      def unlike
        is, should = Backup.read_only(@path) { |old| [Schema.shape(old), Schema.shape_of(Schema.version(old))] }
        (is.keys | should.keys).reject { |table| is[table] == should[table] }.join(", ")
      end

      def serves?(copy, rows)
        Backup.proven(copy)
        Backup.read_only(copy) { |old| known?(old) && rows.all? { |table, count| Backup.growing(old).fetch(table, 0) >= count } }
      rescue Core::InputError
        false
      end

      def migrated(fresh)
        before = Backup.read_only(fresh) { |copy| Backup.growing(copy) }
        Sequel.connect(adapter: "sqlite", database: fresh, foreign_keys: false) do |copy|
          Renumbered.call(copy)
          Schema.migrate(copy)
        end
        found = Backup.proven(fresh)
        short = before.select { |table, count| found.fetch(table, 0) < count }
        short.empty? || Core::InputError.reject("database", "incomplete", "The upgrade lost rows of #{short.keys.join(', ')}: nothing was changed.")
      end

      # The old file as it was, for whoever wants to go back.
      def keep(from)
        return unless from == @path

        Backup.read_only(@path) { |old| Backup.new(old, @folder).keep(Retention::BEFORE_UPGRADE) }
      end
    end
  end
end
