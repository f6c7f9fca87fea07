# frozen_string_literal: true

require "digest"
require "fileutils"
require "json"
require "open3"
require "time"
require "tmpdir"
require "yaml"
require_relative "../core/input_error"

module Gimlet
  module Store
    # The database once more, in another place, a second behind: a folder (of another disk or machine), SFTP, or what speaks S3. Litestream does it,
    # as a process beside the one that serves; bin/setup puts the program here. Without GIMLET_REPLICA there is none, and all works as it does.
    #
    #   replica = Replica.of("/srv/gimlet/gimlet.sqlite3") # nil without GIMLET_REPLICA
    #   replica.start
    #   replica.behind_s # => 0.6
    class Replica
      PROGRAM = File.expand_path("../../../vendor/litestream/litestream", __dir__)
      # How often it is looked for what changed, and how often that is written over there.
      LOOK, WRITE = "200ms", "500ms"
      # Seconds behind beyond which health says so.
      LATE_S = 60
      REMOTE = %r{\A(?:s3|sftp)://}
      # Ends the program when whoever started it is gone, however that ended.
      GUARD = '"$@" & child=$!; cat >/dev/null; kill $child; wait $child'

      # @param path [String] of the database
      # @return [Replica, nil]
      # @raise [Core::InputError] when there should be one and cannot be
      def self.of(path, place = ENV.fetch("GIMLET_REPLICA", nil))
        return if place.nil? || place.empty?

        File.executable?(PROGRAM) || Core::InputError.reject("replica", "no_program",
                                                             "GIMLET_REPLICA is set and Litestream is not here: run bin/setup.")
        new(path, place)
      end

      # What it remembers of a database is wrong once another file has taken its place.
      # @param path [String]
      def self.forget(path) = FileUtils.rm_rf(File.join(File.dirname(path), ".#{File.basename(path)}-litestream"))

      # @param path [String] of the database
      # @param place [String] a folder, sftp://… or s3://…
      def initialize(path, place)
        @path, @place = path, place
        @config = "#{path}.replica.yml"
        @socket = File.join(Dir.tmpdir, "gimlet-#{Digest::SHA256.hexdigest(path)[0, 16]}.sock")
      end

      # @return [void] it follows from here on
      def start
        configure
        inside, @guard = IO.pipe
        @pid = Process.spawn("sh", "-c", GUARD, "replica", PROGRAM, "replicate", "-config", @config,
                             in: inside, %i[out err] => "#{@path}.replica.log", close_others: true)
        inside.close
      end

      def stop
        @guard&.close
        Process.wait(@pid) if @pid
      rescue Errno::ECHILD
        nil
      ensure
        @guard = @pid = nil
      end

      # @return [Float, nil] seconds; nil where it does not answer
      def behind_s
        told, status = Open3.capture2(PROGRAM, "list", "-json", "-socket", @socket, err: File::NULL)
        at = status.success? && JSON.parse(told).fetch("databases").first&.fetch("last_sync_at", nil)
        at ? [Time.now - Time.iso8601(at), 0].max.round(1) : nil
      rescue JSON::ParserError, ArgumentError
        nil
      end

      # @param file [String] a name that is free
      # @param moment [String, nil] as 2026-12-01T15:00:00Z; the latest there is without one
      # @return [String] the file
      # @raise [Core::InputError]
      def fetch(file, moment = nil)
        configure
        at = moment && ["-timestamp", time(moment).utc.iso8601]
        told, status = Open3.capture2e(PROGRAM, "restore", "-config", @config, "-o", file, *at, @path)
        if status.success? && File.file?(file)
          file
        else
          reject("nothing",
                 "#{@place} gives no database#{" of #{moment}" if moment}: #{told.lines.last.to_s.strip}")
        end
      end

      private

      def time(moment)
        Time.iso8601(moment)
      rescue ArgumentError
        reject("bad_moment", "“#{moment}” is no moment: write it as 2026-12-01T15:00:00Z.")
      end

      def configure
        place = @place.match?(REMOTE) ? { "url" => @place } : { "path" => File.expand_path(@place) }
        database = { "path" => @path, "monitor-interval" => LOOK, "replica" => { **place, "sync-interval" => WRITE } }
        File.write(@config, { "socket" => { "enabled" => true, "path" => @socket }, "dbs" => [database] }.to_yaml, perm: 0o600)
      end

      def reject(code, sentence) = Core::InputError.reject("replica", code, sentence)
    end
  end
end
