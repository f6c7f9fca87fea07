# frozen_string_literal: true

require "fileutils"
require_relative "replica"

module Gimlet
  module Store
    # Another file in the place of a database, whole or not at all, whenever the power goes. What is prepared becomes the next one only when it is
    # proven; from then on the change is decided, and whoever starts next finishes it.
    #
    #   replacement.prepare { |fresh| build(fresh) } # nothing has happened yet
    #   replacement.finish                           # now it has
    class Replacement
      # A write-ahead log beside another database would damage it.
      PARTS = ["", "-wal", "-shm"].freeze

      # @param path [String] of the database, with no link in it
      def initialize(path)
        @path = path
        @fresh = "#{path}.fresh"
        @next = "#{path}.next"
      end

      # @return [Boolean] whether one was decided on and not finished
      def decided? = File.exist?(@next)

      # @yield [String] a file name that is free; what is written there must be sound when the block is left
      # @return [Object] of the block; the replacement is decided
      def prepare
        clear
        result = yield(@fresh)
        PARTS.drop(1).each { |part| FileUtils.rm_f(@fresh + part) }
        File.chmod(0o600, @fresh)
        File.open(@fresh, &:fsync)
        renamed(@fresh, @next)
        result
      ensure
        clear
      end

      # @param aside [Boolean] whether what was there stays beside it, under a name with the time
      # @return [Boolean] whether there was anything to finish
      def finish(aside: true)
        return false unless decided?

        aside ? put_aside : PARTS.each { |part| FileUtils.rm_f(@path + part) }
        Replica.forget(@path)
        renamed(@next, @path)
        true
      end

      # What is there gets a name with the time, with the log that belongs to it.
      def put_aside
        stamp = Time.now.utc.strftime("%Y%m%d-%H%M%S-%L")
        PARTS.each { |part| File.rename(@path + part, "#{@path}.set-aside-#{stamp}#{part}") if File.exist?(@path + part) }
      end

      private

      def clear = PARTS.each { |part| FileUtils.rm_f(@fresh + part) }

      def renamed(from, name)
        File.rename(from, name)
        File.open(File.dirname(name), &:fsync)
      end
    end
  end
end
