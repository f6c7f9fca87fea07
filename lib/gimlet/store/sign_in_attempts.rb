# frozen_string_literal: true

require_relative "../core/desk/name"
require_relative "../core/input_error"
require_relative "../core/value"
require_relative "clock"

module Gimlet
  module Store
    # Guesses at secrets, counted before they are weighed: many at once are as many guesses. What is counted is a name, an address and all strange
    # tills together; at a till where that person signed in before, only that till; at a new till of an address where somebody signed in lately, only
    # what is guessed from there: strangers elsewhere lock nobody out of either.
    #
    #   counted = attempts.count(name: "Ines", address: "10.0.0.9", till: nil) # raises while one of them is locked
    #   attempts.forgive(counted)
    class SignInAttempts
      # `free` guesses are answered; then a minute's wait, twice as long with each one more, at most `longest_s`.
      Limit = Core::Value.of(:free, :longest_s)
      LIMITS = { "name" => Limit.new(free: 5, longest_s: 3600), "address" => Limit.new(free: 10, longest_s: 3600),
                 "all" => Limit.new(free: 30, longest_s: 300), "till" => Limit.new(free: 5, longest_s: 900),
                 "near" => Limit.new(free: 5, longest_s: 900) }.freeze
      # What is forgotten after so long without a wrong guess.
      FORGOTTEN_S = 24 * 3600
      # A right secret clears these; an address and all together only get the one guess back.
      CLEARED = %w[name till near].freeze

      # However it is spelled, it is one name.
      # @return [String] what its guesses are counted under
      def self.of_name(name) = "name #{Core::Desk::Name.folded(name)}"

      # @param database [Sequel::Database]
      def initialize(database)
        @rows = database[:sign_in_attempts]
        @database = database
      end

      # @param name [String] as typed
      # @param address [String]
      # @param till [String, nil] the till's digest where that person is known there
      # @param near [Boolean] whether somebody signed in from that address lately
      # @return [Array<String>] what was counted
      # @raise [Core::InputError] "locked", and nothing is counted
      def count(name:, address:, till:, near: false, now: Clock.now)
        counted = counted(name, address, till, near)
        @database.transaction(mode: :immediate) do
          @rows.where { last_at < now - FORGOTTEN_S }.delete
          known = @rows.where(counted: counted).as_hash(:counted)
          wait = known.values.map { |row| wait_s(row, now) }.max || 0
          wait.positive? && Core::InputError.reject("secret", "locked", "Too many wrong guesses: try again in #{(wait / 60.0).ceil} min.")
          counted.each { |key| add(key, known[key], now) }
        end
        counted
      end

      # @param counted [Array<String>] of the guess that was right
      def forgive(counted)
        cleared, given_back = counted.partition { |key| CLEARED.include?(kind(key)) }
        @rows.where(counted: cleared).delete
        @rows.where(counted: given_back).update(failures: Sequel[:failures] - 1, locked_until: nil)
      end

      # @return [Time, nil] until when strange tills are refused a name
      def locked_until(name, now: Clock.now)
        row = @rows.where(counted: self.class.of_name(name)).first
        row && wait_s(row, now).positive? ? row[:locked_until] : nil
      end

      private

      def counted(name, address, till, near)
        folded = Core::Desk::Name.folded(name)
        return ["till #{till} #{folded}"] if till

        near ? ["near #{address} #{folded}", "address #{address}"] : [self.class.of_name(name), "address #{address}", "all"]
      end

      def kind(key) = key.split(" ", 2).first

      # A clock that was put back makes no lock last longer than the longest.
      def wait_s(row, now)
        left = (row[:locked_until] || now) - now
        left <= LIMITS.fetch(kind(row[:counted])).longest_s ? left : 0
      end

      def add(key, row, now)
        limit = LIMITS.fetch(kind(key))
        failures = (row ? row[:failures] : 0) + 1
        wait = failures >= limit.free ? [60 * (2**[failures - limit.free, 10].min), limit.longest_s].min : nil
        @rows.insert_conflict(:replace).insert(counted: key, failures: failures, last_at: now, locked_until: wait && (now + wait))
      end
    end
  end
end
