# frozen_string_literal: true

require "ipaddr"
require "rack/utils"
require_relative "../store/people"
require_relative "../store/settings"
require_relative "operations"

module Gimlet
  module API
    # Who asks, and whether that role may: what each operation wants stands in the OpenAPI document (`x-roles`). While nobody is on file there
    # is nothing to sign in to.
    class Door
      COOKIE = "gimlet_session"
      PERSON = "gimlet.person"
      # What the demo answers on its own machine without anyone signed in.
      SHOWN = %w[identify plan].freeze

      # @param database [Sequel::Database]
      def initialize(database)
        @people = Store::People.new(database)
        @settings = Store::Settings.new(database)
      end

      attr_reader :people

      # @return [Store::People::Person, nil] who asks; nil where nobody needs to
      # @raise [Gate::Refused]
      def pass(env, operation)
        person = whoever(env)
        return person if open?(env, operation)

        person || refuse(401, "sign_in", "Sign in first.")
        return person if person.role == "owner" || operation.roles.include?(person.role)

        refuse(403, "not_your_role", "This is for #{operation.roles.join(' or ')}: #{person.name} is #{person.role}.")
      end

      def open?(env, operation)
        operation.roles == [:all] || !people.any? || (SHOWN.include?(operation.id) && demo?(env)) # rubocop:disable Style/InverseMethods
      end

      # @return [Store::People::Person, nil]
      def whoever(env)
        token = env["HTTP_AUTHORIZATION"].to_s[/\ABearer (\S+)\z/, 1]
        token ? people.bearer(token) : cookie(env) && people.session(cookie(env))
      end

      # @return [String, nil]
      def cookie(env) = Rack::Utils.parse_cookies(env)[COOKIE]

      # The demo, asked from its own machine.
      def demo?(env) = !@settings["demo"].nil? && self.class.here?(env)

      # @return [Boolean] whether it was sent on this machine, through nothing in between
      def self.here?(env)
        env.values_at("HTTP_X_FORWARDED_FOR", "HTTP_FORWARDED", "HTTP_X_FORWARDED_HOST").compact.empty? &&
          IPAddr.new(env.fetch("REMOTE_ADDR", "127.0.0.1")).loopback?
      end

      private

      def refuse(...) = raise(Gate::Refused.new(...))
    end
  end
end
