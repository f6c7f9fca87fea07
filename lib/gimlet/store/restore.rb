# frozen_string_literal: true

require "digest"
require "sequel"
require_relative "../core/input_error"
require_relative "../core/value"
require_relative "backup"
require_relative "lock"
require_relative "manifest"
require_relative "replacement"

module Gimlet
  module Store
    # A copy in the place of the database: proven before it is put there. Nobody is signed in afterwards, no script's token counts, and who left
    # since the copy was made stays out.
    #
    #   Restore.new("/srv/gimlet/gimlet.sqlite3").call("/media/stick/gimlet-20261126-181500-000.sqlite3").counts[:orders] # => 181
    class Restore
      ENDED = %i[sessions tokens tills sign_in_attempts].freeze
      # `counts` are rows by table; `people` those that may sign in.
      Found = Core::Value.of(:counts, :people)

      # @param path [String] of the database
      def initialize(path)
        @path = File.realdirpath(path)
        @replacement = Replacement.new(@path)
      end

      # @param file [String] the copy
      # @return [Found] read back
      # @raise [Core::InputError] nothing was changed
      def call(file)
        Lock.new(@path).hold do
          @replacement.finish
          wanted = Backup.proven(unchanged(file)).except(*ENDED)
          left = people_who_left
          @replacement.prepare { |fresh| prepared(file, fresh, wanted, left) }
          @replacement.finish
        end
        Backup.read_only(@path) { |found| Found.new(counts: Backup.counts(found), people: signing_in(found)) }
      end

      private

      # As it was written, where the manifest beside it says how that was.
      def unchanged(file)
        entry = File.file?(file) && Manifest.new(File.dirname(file)).copies.find { |copy| copy.name == File.basename(file) }
        !entry || Digest::SHA256.file(file).hexdigest == entry.sha256 ||
          Core::InputError.reject("file", "damaged", "#{file} is not as it was written any more: take another copy.")
        file
      end

      def prepared(file, fresh, wanted, left)
        Backup.copy(file, fresh)
        Sequel.connect(adapter: "sqlite", database: fresh) do |copy|
          (ENDED & copy.tables).each { |table| copy[table].delete }
          copy[:people].where(name: left).update(active: false) if left.any? && copy.tables.include?(:people)
        end
        Backup.proven(fresh).except(*ENDED) == wanted ||
          Core::InputError.reject("file", "not_equal", "What would be restored differs from #{file}: nothing was changed.")
      end

      # Of the database that is replaced, where it can still be read.
      def people_who_left
        return [] unless File.file?(@path)

        Backup.read_only(@path) { |old| old.table_exists?(:people) ? old[:people].where(active: false).select_map(:name) : [] }
      rescue Sequel::Error
        []
      end

      def signing_in(database) = database.table_exists?(:people) ? database[:people].where(active: true).select_map(:name) : []
    end
  end
end
