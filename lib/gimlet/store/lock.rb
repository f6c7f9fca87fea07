# frozen_string_literal: true

require "fileutils"
require_relative "../core/input_error"

module Gimlet
  module Store
    # Who serves or rebuilds a database, whatever name it is reached by. The system lets go of the lock with the process, however that ends.
    class Lock
      # @param path [String] of the database
      def initialize(path)
        FileUtils.mkdir_p(File.dirname(path))
        @path = File.realdirpath(path)
        @file_name = "#{@path}.lock"
      end

      # @return [Boolean] whether it is ours now, until this process ends or lets go
      def take
        return true if @file

        file = File.new(@file_name, File::RDWR | File::CREAT, 0o600)
        return false unless file.flock(File::LOCK_EX | File::LOCK_NB)

        # The web server is started in the place of this process and keeps the file open. Whatever else is started closes it (`close_others`), or it
        # would hold the lock longer than this process lives.
        file.close_on_exec = false
        file.truncate(0)
        file.write(Process.pid.to_s)
        file.flush
        @file = file
        true
      end

      # While it is held nobody serves the database.
      # @raise [Core::InputError] when somebody does
      def hold
        ours = !@file.nil?
        take || Core::InputError.reject("database", "in_use", refusal)
        yield
      ensure
        release unless ours
      end

      # @return [String, nil] why it cannot be served; nil where nobody serves it
      def refusal = holder && "#{@path} is being served already, by process #{holder}: one is enough. Stop that first."

      # @return [Integer, nil] process that serves it; nil when none does
      def holder
        return unless File.exist?(@file_name)

        File.open(@file_name) { |file| file.flock(File::LOCK_SH | File::LOCK_NB) ? nil : file.read.to_i }
      end

      private

      def release
        @file&.close
        @file = nil
      end
    end
  end
end
