# frozen_string_literal: true

require "bcrypt"
require "digest"
require "securerandom"
require_relative "../core/input_error"
require_relative "../core/value"

module Gimlet
  module Store
    # Who works here and in which role, who is signed in, and the tokens of scripts. Secrets are only kept as what proves them.
    class People
      # counter: tickets and orders; bench: cards, ticks and what was tightened; keeper: catalogue, prices and stock; owner: all, and people.
      ROLES = %w[counter bench keeper owner].freeze
      SHORTEST = 4
      # Wrong guesses before a name is locked: for a minute, then twice as long with each one more.
      GUESSES = 5
      LONGEST_LOCK_S = 3600
      # A session ends so long after it was last used.
      SESSION_S = 12 * 3600
      # bcrypt's work: a tenth of a second here.
      COST = 10

      Person = Core::Value.of(:id, :name, :role)

      # @param database [Sequel::Database]
      def initialize(database, cost: COST)
        @database = database
        @cost = cost
      end

      def any? = !@database[:people].where(active: true).empty?

      # @return [Array<Person>]
      def all = @database[:people].where(active: true).order(:id).map { |row| person(row) }

      # Made, or given another role and secret; sessions and locks of before are gone.
      # @param secret [String] a PIN or a password
      # @raise [Core::InputError]
      def put(name, role, secret)
        known_role(role)
        secret.to_s.size >= SHORTEST || reject("secret", "too_short", "A PIN or password has at least #{SHORTEST} characters.")
        name.to_s.strip.empty? && reject("name", "missing", "Say who it is.")
        role == "owner" || !last_owner?(name.strip) || reject("role", "last_owner", "#{name.strip} is the only owner: make another one first.")
        fields = { role: role, secret: BCrypt::Password.create(secret, cost: @cost).to_s, failures: 0, locked_until: nil, active: true }
        @database[:people].insert_conflict(target: :name, update: fields).insert(name: name.strip, **fields)
        @database[:sessions].where(person_id: @database[:people].where(name: name.strip).select(:id)).delete
      end

      # @return [Array<Hash>] :name, :role, :kind ("person" or "script"), :locked_until; of all that may ask
      def staff
        @database[:people].where(active: true).order(:id).select(:name, :role, :locked_until).map { |row| { kind: "person", **row } } +
          @database[:tokens].order(:name).select(:name, :role).map { |row| { kind: "script", locked_until: nil, **row } }
      end

      # A person signs in no more, a script's token is worth nothing.
      # @return [Boolean] whether there was such a one
      # @raise [Core::InputError] when nobody could let anyone in afterwards
      def remove(name)
        @database.transaction(mode: :immediate) do
          last_owner?(name) && reject("name", "last_owner", "#{name} is the only owner: make another one first.")
          @database[:sessions].where(person_id: @database[:people].where(name: name).select(:id)).delete
          (@database[:people].where(name: name, active: true).update(active: false) + @database[:tokens].where(name: name).delete).positive?
        end
      end

      # @return [String] what the cookie holds
      # @raise [Core::InputError] after a wrong guess, and while the name is locked
      def sign_in(name, secret, now: Time.now.utc)
        row = @database[:people].where(name: name, active: true).first || wrong
        locked(row, now)
        BCrypt::Password.new(row[:secret]) == secret ? begin_session(row, now) : missed(row, now)
      end

      # Without a secret: for the demo on its own machine only.
      # @return [String]
      def let_in(name, now: Time.now.utc)
        begin_session(@database[:people].where(name: name, active: true).first || wrong, now)
      end

      # @return [Person, nil] whose session it is; it goes on from now
      def session(cookie, now: Time.now.utc)
        known = @database[:sessions].join(:people, id: :person_id).where(digest: digest(cookie), active: true)
        row = known.where { expires_at > now }.first or return
        later = now + SESSION_S
        @database[:sessions].where(digest: row[:digest]).update(expires_at: later) if later - row[:expires_at] > 60
        person(row.merge(id: row[:person_id]))
      end

      def end_session(cookie) = @database[:sessions].where(digest: digest(cookie)).delete

      # @return [String] the token, told this once
      def token(name, role)
        known_role(role)
        SecureRandom.urlsafe_base64(32).tap do |told|
          @database[:tokens].where(name: name).delete
          @database[:tokens].insert(digest: digest(told), name: name, role: role)
        end
      end

      # @return [Person, nil]
      def bearer(token)
        row = @database[:tokens].where(digest: digest(token)).first
        row && Person.new(name: row[:name], role: row[:role])
      end

      private

      def person(row) = Person.new(**row.slice(:id, :name, :role))
      def digest(told) = Digest::SHA256.hexdigest(told.to_s)

      def last_owner?(name) = @database[:people].where(active: true, role: "owner").select_map(:name) == [name]

      def known_role(role)
        ROLES.include?(role) || reject("role", "unknown_role", "“#{role}” is no role: use #{ROLES.join(', ')}.")
      end

      def wrong = reject("secret", "wrong_secret", "That is not the PIN or password of this name.")

      def locked(row, now)
        return unless row[:locked_until] && row[:locked_until] > now

        reject("secret", "locked", "Too many wrong guesses: try again in #{((row[:locked_until] - now) / 60).ceil} min.")
      end

      def missed(row, now)
        count = row[:failures] + 1
        wait = count >= GUESSES ? [60 * (2**(count - GUESSES)), LONGEST_LOCK_S].min : nil
        @database[:people].where(id: row[:id]).update(failures: count, locked_until: wait && (now + wait))
        wrong
      end

      def begin_session(row, now)
        @database[:sessions].where { expires_at <= now }.delete
        @database[:people].where(id: row[:id]).update(failures: 0, locked_until: nil)
        SecureRandom.urlsafe_base64(32).tap do |told|
          @database[:sessions].insert(digest: digest(told), person_id: row[:id], expires_at: now + SESSION_S)
        end
      end

      def reject(...) = Core::InputError.reject(...)
    end
  end
end
