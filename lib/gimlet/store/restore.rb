# frozen_string_literal: true

require "digest"
require "sequel"
require "tmpdir"
require_relative "../core/input_error"
require_relative "../core/value"
require_relative "audit"
require_relative "backup"
require_relative "lock"
require_relative "manifest"
require_relative "history"
require_relative "renumbered"
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
      # @param word [String, nil] "OWNER: why", of an owner in the copy who takes it although the audit finds something
      # @return [Found] read back
      # @raise [Core::InputError] nothing was changed
      def call(file, word: nil)
        Lock.new(@path).hold do
          @replacement.finish
          wanted = Backup.proven(unchanged(file)).except(*ENDED)
          left = people_who_left
          found = audited(file)
          found.empty? || taken_despite(file, found, word)
          @replacement.prepare { |fresh| prepared(file, fresh, wanted, left, found.empty? ? nil : word) }
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

      # What does not agree in it, once it is of this version.
      # @return [Array<Audit::Finding>]
      def audited(file)
        Dir.mktmpdir do |folder|
          trial = File.join(folder, "trial.sqlite3")
          Backup.copy(file, trial)
          Sequel.connect(adapter: "sqlite", database: trial, foreign_keys: false) do |copy|
            Renumbered.call(copy)
            Schema.migrate(copy)
            Audit.new(copy).call
          end
        end
      end

      def taken_despite(file, found, word)
        owner, why = word.to_s.split(":", 2).map(&:strip)
        owners = Backup.read_only(file) do |copy|
          copy.tables.include?(:people) ? copy[:people].where(active: true, role: "owner").select_map(:name) : []
        end
        return if owners.include?(owner) && !why.to_s.empty?

        Core::InputError.reject("file", "does_not_agree", "#{file} is sound and does not agree with itself: #{found.first(3).join('; ')}" \
                                                          "#{"; and #{found.size - 3} more" if found.size > 3}. Nothing was changed. An owner " \
                                                          "may take it all the same: --despite \"NAME: why\".")
      end

      def prepared(file, fresh, wanted, left, word)
        Backup.copy(file, fresh)
        Sequel.connect(adapter: "sqlite", database: fresh) do |copy|
          (ENDED & copy.tables).each { |table| copy[table].delete }
          word && copy.tables.include?(:history) && History.new(copy).note("restored despite the audit", word, who: History.at_the_keyboard)
          copy[:people].where(name: left).update(active: false) if left.any? && copy.tables.include?(:people)
        end
        Backup.proven(fresh).except(*ENDED, *(:history if word)) == wanted.except(*(:history if word)) ||
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
