# frozen_string_literal: true

require "fileutils"
require "json"
require "rbconfig"
require_relative "../core/input_error"

module Gimlet
  module Counter
    # A file that somebody sent, read and held against what is on file in a process of its own, with limits of time and memory, while the shop goes
    # on. First it is looked at; what was looked at may then be taken.
    #
    #   upload = Upload.new("7", kind: "prices", file: "/srv/…/7", database: "/srv/gimlet.sqlite3", who: "Adela")
    #   upload.run("dry_run")   # waits for the process; others read `state` and `done` meanwhile
    #   upload.dry_run          # => {"mark" => "…", "changed" => 3, …}
    class Upload
      WORKER = File.expand_path("upload_worker.rb", __dir__)
      # Seconds of computing, and of waiting for them.
      CPU_S = 60
      LONGEST_S = 120
      # Bytes of address space: Ruby itself takes a quarter of it.
      MEMORY = 1024 * 1024 * 1024
      TOO_MUCH = { "code" => "too_much", "field" => "file",
                   "detail" => "Reading this file takes more than #{CPU_S} seconds of computing: nothing was changed. Split it." }.freeze
      BROKEN = { "code" => "internal", "field" => "file",
                 "detail" => "Something went wrong while this file was read: nothing was changed. Try again; if it stays, " \
                             "tell whoever looks after Gimlet here." }.freeze
      # Whoever takes may have ended between the last write and saying so.
      UNKNOWN = { "code" => "not_known", "field" => "file",
                  "detail" => "What took this file ended before it said how it went: choose the file again and see what it would change." }.freeze
      ENDED = %w[taken refused given_up].freeze

      attr_reader :id, :kind, :who, :state, :done, :of, :dry_run, :taken, :problem, :touched_at

      # @param kind [String] "prices" or "catalogue"
      # @param file [String] what was sent
      # @param cpu_s [Integer] seconds of computing
      def initialize(id, kind:, file:, database:, who:, cpu_s: CPU_S)
        @id, @kind, @file, @database, @who, @cpu_s = id, kind, file, database, who, cpu_s
        @state = "waiting"
        touch
      end

      def ended? = ENDED.include?(@state)
      def at_work? = %w[waiting reading taking].include?(@state)

      # @param step [String] "dry_run" or "take"
      # @param options [Hash] mark and skip, of a take
      def run(step, options = {})
        return if ended?

        @done, @of, @problem = nil
        @state = step == "take" ? "taking" : "reading"
        settle(step, work(step, options))
      ensure
        touch
        FileUtils.rm_f(@file) if ended?
      end

      # Ends what is being done; nothing of it is kept.
      # @raise [Core::InputError] while it is being taken: then it is all or nothing
      def give_up
        @state == "taking" && Core::InputError.reject("file", "being_taken", "This file is being taken: that cannot be given up any more.")
        @state = "given_up" unless @state == "taken"
        stop
        FileUtils.rm_f(@file)
      end

      # Something of ours went wrong.
      def fail
        stop
        refuse(no_answer(@state == "taking" ? "take" : "dry_run"), "dry_run")
        FileUtils.rm_f(@file)
      end

      # Waits for its turn again.
      def wait = @state = "waiting"

      def stop
        Process.kill(:KILL, -@pid) if @pid
      rescue Errno::ESRCH
        nil
      end

      private

      def touch = @touched_at = Process.clock_gettime(Process::CLOCK_MONOTONIC)

      # @return [Hash, nil] the last line that it said
      def work(step, options)
        reader, writer = IO.pipe
        order = JSON.generate(step: step, kind: @kind, file: @file, database: @database, who: @who, **options)
        @pid = Process.spawn(RbConfig.ruby, "-E", "UTF-8", WORKER, order, out: writer, in: File::NULL, close_others: true, pgroup: true,
                                                                          rlimit_as: MEMORY, rlimit_cpu: @cpu_s)
        writer.close
        clock = Thread.new { sleep(LONGEST_S) && stop }
        follow(reader)
      ensure
        reader&.close
        @ended_by = Process.wait2(@pid).last.termsig if @pid
        @pid = nil
        clock&.kill
      end

      def follow(reader)
        reader.each_line.reduce(nil) do |_, line|
          said = JSON.parse(line)
          @done, @of = said.values_at("done", "of") if said.key?("done")
          said
        end
      end

      def settle(step, said)
        return if @state == "given_up"

        if said&.key?("problem") then refuse(said["problem"], step)
        elsif said&.key?("result") then succeed(step, said["result"])
        else refuse(no_answer(step), step)
        end
      end

      def no_answer(step)
        return UNKNOWN if step == "take"

        @ended_by ? TOO_MUCH : BROKEN
      end

      def succeed(step, result)
        step == "take" ? @taken = result : @dry_run = result
        @state = step == "take" ? "taken" : "looked"
      end

      # What was looked at may be looked at again, and taken without the lines that cannot be read.
      def refuse(problem, step)
        @problem = problem
        @state = step == "take" && @dry_run ? "looked" : "refused"
      end
    end
  end
end
