# frozen_string_literal: true

module Gimlet
  module Store
    # Who serves a database. The system lets go of the lock with the process, however that ends.
    class Lock
      # @param path [String] of the database
      def initialize(path)
        @path = "#{path}.lock"
      end

      # @return [Boolean] whether it is ours now, until this process ends
      def take
        @file = File.open(@path, File::RDWR | File::CREAT, 0o600)
        return false unless @file.flock(File::LOCK_EX | File::LOCK_NB)

        # The web server is started in the place of this process and keeps the file open.
        @file.close_on_exec = false
        @file.truncate(0)
        @file.write(Process.pid.to_s)
        @file.flush
        true
      end

      # @return [String, nil] why it cannot be served; nil where nobody serves it
      def refusal = holder && "#{@path.delete_suffix('.lock')} is being served already, by process #{holder}: one is enough."

      # @return [Integer, nil] process that serves it; nil when none does
      def holder
        return unless File.exist?(@path)

        File.open(@path) { |file| file.flock(File::LOCK_SH | File::LOCK_NB) ? nil : file.read.to_i }
      end
    end
  end
end
