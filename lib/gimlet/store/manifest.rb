# frozen_string_literal: true

require "digest"
require "json"
require "time"
require_relative "../core/value"

module Gimlet
  module Store
    # The list of the copies that we made in a folder: nothing else in it is ever removed. A file begun and never finished stands in it too.
    #
    #   manifest.begin("gimlet-20261126-181500-000.sqlite3.writing")
    #   manifest.finish("gimlet-20261126-181500-000.sqlite3", why: nil)
    class Manifest
      NAME = "copies.json"
      WRITING = ".writing"
      # `sha256` is of the file; `why` is nil for the usual ones.
      Entry = Core::Value.of(:name, :at, :why, :sha256)

      # @param folder [String] of the copies
      def initialize(folder)
        @folder = folder
        @file = File.join(folder, NAME)
      end

      # @return [Array<Entry>] finished copies that are still there, the oldest first
      def copies = entries.reject { |entry| unfinished?(entry) }.select { |entry| File.file?(path(entry)) }.sort_by(&:at)

      # @return [String] where a copy lies: in this folder, whatever somebody wrote into the list
      def path(entry) = File.join(@folder, File.basename(entry.name))

      # Told before the file is there, so that a power cut leaves none that nobody owns up to.
      # @param name [String] that the copy will have
      # @return [String] the file to write to
      def begin(name, now: Time.now.utc)
        change { |known| known + [Entry.new(name: name + WRITING, at: now)] }
        File.join(@folder, name + WRITING)
      end

      # @param name [String] of a file that is written and proven
      def finish(name, why:, now: Time.now.utc)
        from = File.join(@folder, name + WRITING)
        entry = Entry.new(name: name, at: now, why: why, sha256: Digest::SHA256.file(from).hexdigest)
        change { |known| known + [entry] }
        File.rename(from, File.join(@folder, name))
        forget([Entry.new(name: name + WRITING)])
      end

      # @param gone [Array<Entry>] their files are removed
      def forget(gone)
        gone.each { |entry| File.delete(path(entry)) if File.file?(path(entry)) }
        change { |known| known.reject { |entry| gone.map(&:name).include?(entry.name) } }
      end

      # What a power cut left half-written.
      def clear_unfinished = entries.select { |entry| unfinished?(entry) }.then { |left| forget(left) if left.any? }

      private

      def unfinished?(entry) = entry.name.end_with?(WRITING)

      def entries
        JSON.parse(File.read(@file)).map { |row| Entry.new(name: row["name"], at: Time.iso8601(row["at"]), why: row["why"], sha256: row["sha256"]) }
      rescue Errno::ENOENT, JSON::ParserError, ArgumentError, TypeError, NoMethodError
        # A list that cannot be read names nothing that may be removed.
        []
      end

      # Whole or as it was.
      def change
        rows = yield(entries).map { |entry| { **entry.to_h, at: entry.at.utc.iso8601(3) } }
        fresh = "#{@file}.#{Process.pid}"
        File.write(fresh, JSON.pretty_generate(rows), perm: 0o600)
        File.rename(fresh, @file)
      end
    end
  end
end
