# frozen_string_literal: true

require_relative "../core/input_error"
require_relative "../core/value"
require_relative "../store/history"
require_relative "../store/sign_in_attempts"

module Gimlet
  module Counter
    # Somebody comes to a till.
    #
    #   sign_in = SignIn.new(people: people, sessions: sessions, tills: tills, database: database)
    #   sign_in.call("Ines", "482193", address: "10.0.0.4", till: nil, session: nil)
    #   # => the cookies of the session and of the till
    class SignIn
      # What the browser keeps.
      Cookies = Core::Value.of(:session, :till)

      # @param people [Store::People]
      # @param sessions [Store::Sessions]
      # @param tills [Store::Tills]
      # @param database [Sequel::Database]
      def initialize(people:, sessions:, tills:, database:)
        @people, @sessions, @tills = people, sessions, tills
        @attempts = Store::SignInAttempts.new(database)
        @history = Store::History.new(database)
      end

      # @param secret [String] a PIN or a password
      # @param address [String] of whoever asks
      # @param till [String, nil] the cookie of the till
      # @param session [String, nil] of whoever was signed in there until now; it ends
      # @return [Cookies]
      # @raise [Core::InputError] the same for a wrong secret and a name that nobody has
      def call(name, secret, address:, till:, session:)
        name = @people.named(name)&.name || name
        known = @tills.known?(till, name)
        counted = @attempts.count(name: name, address: address, till: known ? @tills.digest(till) : nil, near: @tills.near?(address))
        person = @people.verified(name, secret) || refuse(name, address, known)
        @attempts.forgive(counted)
        enter(person, address, till, session, known)
      end

      # Without a secret: for the demo on its own machine only.
      # @return [Cookies]
      def shown(name, address:, till:, session:)
        enter(@people.named(name) || wrong, address, till, session, @tills.known?(till, name))
      end

      private

      def enter(person, address, till, session, known)
        @sessions.end(session) if session
        cookies = Cookies.new(session: @sessions.begin(person), till: @tills.remember(till, person, address: address))
        @history.note("signed in", { address: address, till: known ? "known" : "new" }, who: person.name)
        cookies
      end

      # Who it was is only noted where there is such a name: some type the secret there.
      def refuse(name, address, known)
        person = @people.named(name)
        @history.note("sign-in refused", { name: person&.name, address: address, till: known ? "known" : "new" }, who: "somebody")
        wrong
      end

      def wrong = Core::InputError.reject("secret", "wrong_secret", "That is not the PIN or password of this name.")
    end
  end
end
