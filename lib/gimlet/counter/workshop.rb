# frozen_string_literal: true

require "io/wait"
require "rbconfig"
require_relative "../core/input_error"

module Gimlet
  module Counter
    # What takes long is done in a process of its own, one thing after the other, so that nobody at the counter waits for it: papers are printed there
    # and pictures read. It is started when it is first wanted, ended when something takes too long or too much, and started again for the next.
    #
    #   Workshop.shared.call("Gimlet::Exchange::Paper::Labels", labels, paper: "A4") # => bytes of a PDF
    class Workshop
      WORKER = File.expand_path("workshop_worker.rb", __dir__)
      # Seconds for one thing, begun when its turn comes.
      LONGEST_S = 30
      # Waiting or at work; who comes after is told to come again.
      MOST = 4
      # Bytes of address space.
      MEMORY = 1536 * 1024 * 1024

      # @return [Workshop] of this process
      def self.shared = SHARED

      # @param longest_s [Numeric]
      def initialize(longest_s: LONGEST_S)
        @longest_s = longest_s
        @turn, @lock, @waiting = Mutex.new, Mutex.new, 0
      end

      # @param what [String] a module or class of Gimlet's that the worker has
      # @param verb [Symbol] its method
      # @return [Object] what that answers
      # @raise [Core::InputError] as the method raises it; "busy" and "too_much" where it cannot be done now, or at all
      def call(what, *arguments, verb: :call, **options)
        queued do
          kind, told = answered([what, verb, arguments, options])
          case kind
          when :done then told
          when :refused then raise Core::InputError.new(told[:message], field: told[:field], code: told[:code])
          else raise told
          end
        end
      end

      # Ends what is being done.
      def stop
        Process.kill(:KILL, @pid) if @pid
        Process.wait(@pid) if @pid
      rescue Errno::ESRCH, Errno::ECHILD
        nil
      ensure
        [@to, @from].compact.each(&:close)
        @pid = @to = @from = nil
      end

      private

      def queued(&)
        place = @lock.synchronize { @waiting += 1 }
        place <= MOST || reject("busy", "#{MOST} papers and pictures are being worked on already: ask again in a moment.")
        @turn.synchronize(&)
      ensure
        @lock.synchronize { @waiting -= 1 }
      end

      def answered(order)
        forget_ended
        start unless @pid
        Marshal.dump(order, @to)
        @from.wait_readable(@longest_s) || raise(EOFError)
        Marshal.load(@from) # rubocop:disable Security/MarshalLoad -- from our own process
      rescue EOFError, Errno::EPIPE, ArgumentError
        # An ArgumentError is an answer that breaks off.
        stop
        reject("too_much", "This takes more time or memory than one paper or picture may: nothing was changed.")
      end

      # One that somebody else ended since the last order.
      def forget_ended
        return unless @pid && Process.wait(@pid, Process::WNOHANG)

        @pid = nil
        stop
      end

      # A pipe to it and one from it; it ends when the first is closed, with this process at the latest.
      def start
        inside, @to = IO.pipe(binmode: true)
        @from, outside = IO.pipe(binmode: true)
        @pid = Process.spawn(RbConfig.ruby, "-E", "UTF-8", WORKER, in: inside, out: outside, close_others: true, rlimit_as: MEMORY)
        [inside, outside].each(&:close)
      end

      def reject(code, sentence) = Core::InputError.reject("paper", code, sentence)

      SHARED = new
      private_constant :SHARED
      at_exit { SHARED.stop }
    end
  end
end
