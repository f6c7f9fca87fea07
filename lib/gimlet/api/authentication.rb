# frozen_string_literal: true

require "rack/utils"
require_relative "../store/people"
require_relative "../store/sessions"
require_relative "../store/tills"
require_relative "../store/tokens"
require_relative "peer"

module Gimlet
  module API
    # Who asks: by a session's cookie, or by a script's token.
    #
    #   authentication.person(env) # => the Person that is signed in, or nil
    class Authentication
      SESSION_COOKIE = "gimlet_session"
      # Names a till at which somebody signed in before, long after the session ended.
      TILL_COOKIE = "gimlet_till"

      # @param database [Sequel::Database]
      # @param demo [Boolean] whether it was started as a demo that this machine alone can reach
      def initialize(database, demo: false)
        @people = Store::People.new(database)
        @sessions = Store::Sessions.new(database)
        @tokens = Store::Tokens.new(database)
        @tills = Store::Tills.new(database)
        @demo = demo
      end

      attr_reader :people, :sessions, :tokens, :tills

      # @param env [Hash] of Rack
      # @return [Store::People::Person, nil]
      def person(env)
        token = env["HTTP_AUTHORIZATION"].to_s[/\ABearer (\S+)\z/, 1]
        return tokens.person(token) if token

        cookie = session_cookie(env) and sessions.person(cookie, idle_s: idle_s(env))
      end

      # What a page asks for by itself says for how long nobody has touched its till; whatever does not say so was asked for by somebody.
      def idle_s(env) = env["HTTP_GIMLET_IDLE"].to_s[/\A\d{1,6}\z/].to_i

      def session_cookie(env) = Rack::Utils.parse_cookies(env)[SESSION_COOKIE]
      def till_cookie(env) = Rack::Utils.parse_cookies(env)[TILL_COOKIE]

      # @return [Boolean] whether one key signs in: the demo, asked on its own machine through nothing in between
      def demo?(env) = @demo && Peer.new(env).here?

      # Names are told on the machine itself, and at tills where somebody signed in before.
      # @return [Array<Store::People::Person>]
      def names_told(env)
        Peer.new(env).here? || tills.known?(till_cookie(env)) ? people.all : []
      end
    end
  end
end
