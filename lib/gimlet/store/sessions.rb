# frozen_string_literal: true

require "digest"
require "securerandom"
require_relative "clock"
require_relative "people"

module Gimlet
  module Store
    # Who is signed in. A session ends a working day after it began, and a quarter of an hour after somebody last touched its till, whatever the page
    # there asks for by itself meanwhile.
    #
    #   cookie = sessions.begin(person)
    #   sessions.person(cookie, idle_s: 3) # => the Person, for twelve hours at most
    class Sessions
      LONGEST_S = 12 * 3600
      IDLE_S = 15 * 60
      # That somebody was there is written at most so often.
      NOTED_S = 30
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
            @database[:sessions].insert(digest: digest(cookie), person_id: person.id, began_at: now, used_at: now)
          end
        end
      end

      # @param idle_s [Numeric] how long nobody has touched the till that asks
      # @return [People::Person, nil]
      def person(cookie, idle_s: 0, now: Clock.now)
        rows = @database[:sessions].join(:people, id: :person_id).where(digest: digest(cookie), active: true, began_at: alive(now))
        row = rows.select(Sequel[:people][:id], :name, :role, :began_at, :used_at).first or return
        return if now - (row[:used_at] || row[:began_at]) > IDLE_S

        touched(cookie, now - idle_s, row[:used_at] || row[:began_at])
        People::Person.new(**row.slice(:id, :name, :role))
      end

      def end(cookie) = @database[:sessions].where(digest: digest(cookie)).delete

      private

      def touched(cookie, at, noted)
        @database[:sessions].where(digest: digest(cookie)).update(used_at: at) if at - noted > NOTED_S
      end

      # Not from the future either: a clock that was put back makes no session last longer.
      def alive(now) = (now - LONGEST_S)..(now + 60)

      def digest(cookie) = Digest::SHA256.hexdigest(cookie.to_s)
    end
  end
end
