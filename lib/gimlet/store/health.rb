# frozen_string_literal: true

require "open3"
require_relative "../core/value"
require_relative "audit"
require_relative "backup"
require_relative "replica"
require_relative "settings"

module Gimlet
  module Store
    # Whether the database can be worked with: read, written, and copied not too long ago.
    class Health
      LOOKED = "looked at"
      # Bytes; below this the next day's orders may not fit.
      LEAST_ROOM = 200 * 1024 * 1024

      # `problem` is a sentence, nil when all is well. `backup_age_s` is nil without a copy, `replica_behind_s` without a replica or where
      # it does not answer.
      Report = Core::Value.of(:can_read, :can_write, :room_bytes, :backup_age_s, :replica_behind_s, :problem)

      # @param error [Exception]
      # @return [Array(String, String), nil] code and sentence for what SQLite or the disk could not do; nil for any other fault
      def self.trouble(error)
        told = [error, error.cause].compact.map { |one| "#{one.class} #{one.message}" }.join(" ")
        TROUBLES.find { |words, _| told.match?(words) }&.last
      end

      TROUBLES = [
        [/FullException|disk is full|ENOSPC/i, ["disk_full", "The disk is full: nothing of this was kept. Make room, then try again."]],
        [/ReadOnlyException|readonly database|EROFS|EACCES/i,
         ["read_only", "The database cannot be written to: see to the rights of its file and folder."]],
        [/CorruptException|NotADatabaseException|malformed|not a database/i,
         ["damaged", "The database is damaged: stop, and restore the last good copy (docs/running.md, a bad day)."]],
        [/BusyException|LockedException|database is locked/i, ["locked", "Something else holds the database: try again in a moment."]],
        [/IOException|CantOpenException|unable to open/i, ["disk_fault", "The disk cannot be read or written: see to it before going on."]]
      ].freeze

      # A file up to this size is looked through whole with a report, at most so often; a larger one when it is started and copied.
      LOOKED_THROUGH = 64 * 1024 * 1024
      EVERY_S = 30

      # @param database [Sequel::Database]
      # @param replica [Replica, nil]
      def initialize(database, replica: nil)
        @database, @replica = database, replica
        @path = database.opts[:database].to_s
        @looked = nil
      end

      # @return [String, nil] what is wrong with the file; once found damaged it stays so until it was seen to and started again
      attr_reader :damage

      # @param error [Exception] that a request met
      # @return [Array(String, String), nil] as Health.trouble
      def met(error)
        found = self.class.trouble(error)
        @damage = found.last if found&.first == "damaged"
        found
      end

      # @return [Report]
      def call
        look_through
        can_read, read_fault = attempt { @database[:series].count }
        can_write, write_fault = damage ? [false, damage] : attempt { written }
        room = room_bytes
        latest = Backup.latest(Backup.folder(@path))
        behind = @replica&.behind_s
        problem = read_fault || write_fault || Backup.fault(Backup.folder(@path)) || crowded(room) || late(behind) || (can_read && disagreeing) || nil
        age = latest && (Time.now - File.mtime(latest)).to_i
        Report.new(can_read: can_read, can_write: can_write, room_bytes: room, backup_age_s: age, replica_behind_s: behind,
                   problem: problem)
      end

      # @return [String] "ok", or what is wrong with the file
      def integrity = @database.fetch("PRAGMA quick_check").first.values.first

      private

      def look_through
        return if damage || File.size(@path) > LOOKED_THROUGH || (@looked && now - @looked < EVERY_S)

        @looked = now
        integrity == "ok" || raise(Sequel::DatabaseError, "the file is malformed")
      rescue Sequel::Error => e
        met(e)
      end

      def crowded(room) = room && room < LEAST_ROOM ? "Only #{room / 1_048_576} MB are left on the disk: make room." : nil

      def late(behind)
        return if @replica.nil? || (behind && behind <= Replica::LATE_S)

        "The replica #{behind ? "is #{behind.round} s behind" : 'does not answer'}: see to its place, or to #{@path}.replica.log."
      end

      # What the last audit found, for whoever may look closer.
      def disagreeing
        last = Audit.last(@database)
        return if last.nil? || last["total"].zero?

        "The audit of #{last['at'][0, 10]} found #{last['total']} things that do not agree: see bin/gimlet audit and docs/running.md, a bad day."
      end

      def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)

      # As much as an order takes, really written, and taken back.
      def written
        settings = Settings.new(@database)
        @database.transaction(mode: :immediate) do
          settings[LOOKED] = "x" * 65_536
          settings[LOOKED] = Time.now.utc.to_s
        end
      end

      def attempt
        yield
        [true, nil]
      rescue Sequel::Error => e
        [false, self.class.trouble(e)&.last || "The database does not answer: #{e.message.lines.first.strip}."]
      end

      # As POSIX df tells it, in blocks of 1024 bytes.
      def room_bytes
        told, status = Open3.capture2("df", "-Pk", File.dirname(@path))
        status.success? ? told.lines.last.split[3].to_i * 1024 : nil
      rescue SystemCallError
        nil
      end
    end
  end
end
