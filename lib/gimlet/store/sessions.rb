# frozen_string_literal: true

require "digest"
require "securerandom"
require_relative "clock"
require_relative "people"

module Gimlet
  module Store
    # Who is signed in. A session ends a working day after it began, used or not: to read it nothing is written.
    #
    #   cookie = sessions.begin(person)
    #   sessions.person(cookie) # => the Person, for twelve hours
    class Sessions
      LONGEST_S = 12 * 3600
      # Of one person; the oldest end first.
      MOST = 10

      # @param database [Sequel::Database]
      def initialize(database)
        @database = database
      end

      # @param person [People::Person]
      # @return [String] what the cookie holds
      def begin(person, now: Clock.now)
        SecureRandom.urlsafe_base64(32).tap do |cookie|
          @database.transaction(mode: :immediate) do
            @database[:sessions].exclude(began_at: alive(now)).delete
            own = @database[:sessions].where(person_id: person.id)
            @database[:sessions].where(digest: own.reverse(:began_at).offset(MOST - 1).select(:digest)).delete
            @database[:sessions].insert(digest: digest(cookie), person_id: person.id, began_at: now)
          end
        end
      end

      # @return [People::Person, nil]
      def person(cookie, now: Clock.now)
        rows = @database[:sessions].join(:people, id: :person_id).where(digest: digest(cookie), active: true, began_at: alive(now))
        row = rows.select(Sequel[:people][:id], :name, :role).first
        row && People::Person.new(**row)
      end

      def end(cookie) = @database[:sessions].where(digest: digest(cookie)).delete

      private

      # Not from the future either: a clock that was put back makes no session last longer.
      def alive(now) = (now - LONGEST_S)..(now + 60)

      def digest(cookie) = Digest::SHA256.hexdigest(cookie.to_s)
    end
  end
end
