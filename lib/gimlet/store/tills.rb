# frozen_string_literal: true

require "digest"
require "securerandom"
require_relative "clock"

module Gimlet
  module Store
    # Browsers at which somebody signed in before. Their people keep their way in while a stranger guesses elsewhere.
    class Tills
      # Of one person; the oldest are forgotten first.
      MOST = 20
      NEAR_S = 30 * 24 * 3600

      # @param database [Sequel::Database]
      def initialize(database)
        @database = database
      end

      # @param cookie [String, nil]
      # @param name [String, nil] of the person who must have signed in there; nil is anybody
      def known?(cookie, name = nil)
        rows = @database[:tills].join(:people, id: :person_id).where(digest: digest(cookie), active: true)
        !(name ? rows.where(name: name) : rows).empty?
      end

      # @param address [String]
      # @return [Boolean] whether somebody signed in from there lately: strangers elsewhere lock nobody out there
      def near?(address, now: Clock.now) = !@database[:tills].where(address: address).where { at > now - NEAR_S }.empty?

      # @param cookie [String, nil] that the till sent
      # @param address [String, nil] where it stands
      # @return [String] the cookie it keeps
      def remember(cookie, person, address: nil, now: Clock.now)
        kept = known?(cookie) ? cookie : SecureRandom.urlsafe_base64(32)
        @database.transaction(mode: :immediate) do
          @database[:tills].insert_conflict(:replace).insert(digest: digest(kept), person_id: person.id, at: now, address: address)
          own = @database[:tills].where(person_id: person.id)
          own.where(digest: own.reverse(:at).offset(MOST).select(:digest)).delete
        end
        kept
      end

      # @return [String] names the till in counts and history, and gives nothing away
      def digest(cookie) = Digest::SHA256.hexdigest(cookie.to_s)
    end
  end
end
