# frozen_string_literal: true

require "fileutils"
require "securerandom"
require_relative "../core/input_error"
require_relative "upload"

module Gimlet
  module Counter
    # Files that were sent: one is worked on at a time, a few wait, and none stays for long.
    #
    #   uploads = Uploads.new("/srv/gimlet/gimlet.sqlite3")
    #   upload = uploads.begin("prices", io, who: "Adela", longest: 10_000_000)
    #   uploads.find(upload.id, "Adela").state # => "reading"
    class Uploads
      # Waiting or being worked on.
      MOST = 8
      # Seconds after which one that nobody touches is gone.
      KEPT_S = 30 * 60

      # What a server that was cut short left behind: nobody can ask for it any more.
      # @param database [String] its path
      def self.clear(database) = FileUtils.rm_rf(folder(database))

      # @return [String] where the files lie, beside the database
      def self.folder(database) = "#{database}.uploads"

      # @param database [String] its path
      def initialize(database)
        @database = database
        @folder = self.class.folder(database)
        @uploads = {}
        @steps = Queue.new
        @lock = Mutex.new
      end

      # @param kind [String] "prices" or "catalogue"
      # @param sent [#read] what was sent
      # @param longest [Integer] bytes
      # @return [Upload]
      # @raise [Core::InputError] when it is too long, or too many wait
      def begin(kind, sent, who:, longest:)
        id = SecureRandom.hex(8)
        upload = Upload.new(id, kind: kind, file: File.join(@folder, id), database: @database, who: who)
        @lock.synchronize do
          forget
          @uploads.values.count(&:at_work?) < MOST || reject("too_many_uploads", "#{MOST} files are being read already: try again in a minute.")
          @uploads[id] = upload
        end
        keep(sent, id, longest)
        work(upload, "dry_run")
        upload
      end

      # @param who [String] sent it: nobody else's is found
      # @return [Upload, nil]
      def find(id, who) = @lock.synchronize { @uploads[id] }.then { |upload| upload if upload&.who == who }

      # What was looked at is taken.
      # @raise [Core::InputError] unless it waits for that
      def take(upload, mark:, skip:)
        @lock.synchronize do
          upload.state == "looked" || reject("not_looked_at", "This file is not waiting to be taken: choose it again.")
          upload.wait
        end
        work(upload, "take", mark: mark, skip: skip)
      end

      # Ends with the server: nothing that waits is begun.
      def stop
        @steps.clear
        taken, others = @uploads.values.partition { |upload| upload.state == "taking" }
        others.each(&:give_up)
        taken.each(&:stop)
      end

      private

      def keep(sent, id, longest)
        FileUtils.mkdir_p(@folder, mode: 0o700)
        file = File.join(@folder, id)
        IO.copy_stream(sent, file, longest + 1)
        File.size(file) <= longest || reject("too_large", "The file is larger than the #{longest / 1_048_576} MB that are taken here: split it.")
      rescue Core::InputError, SystemCallError
        @lock.synchronize { @uploads.delete(id) }
        FileUtils.rm_f(file) if file
        raise
      end

      def work(upload, *step)
        @steps << [upload, step]
        @lock.synchronize { @worker = Thread.new { serve } unless @worker&.alive? }
      end

      def serve
        loop do
          upload, step = @steps.pop
          upload.run(*step)
        rescue StandardError => e
          warn "#{e.class}: #{e.message}", *e.backtrace.first(8)
          upload.fail
        end
      end

      def forget
        now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
        old = @uploads.values.select { |upload| !upload.at_work? && now - upload.touched_at > KEPT_S }
        old.each do |upload|
          upload.give_up
          @uploads.delete(upload.id)
        end
      end

      def reject(code, sentence) = Core::InputError.reject("file", code, sentence)
    end
  end
end
