# frozen_string_literal: true

require_relative "../core/roles"
require_relative "operations"
require_relative "refused"

module Gimlet
  module API
    # Whether a role may do what is asked for: the right that each operation asks for stands in the OpenAPI document (`x-right`).
    class Authorization
      # What the demo answers on its own machine without anyone signed in.
      SHOWN = %w[identify plan].freeze

      # @param authentication [Authentication]
      def initialize(authentication)
        @authentication = authentication
      end

      # @param env [Hash] of Rack
      # @param operation [Operations::Operation]
      # @return [Store::People::Person, nil] who asks; nil where nobody needs to be signed in
      # @raise [Refused]
      def call(env, operation)
        person = @authentication.person(env)
        return person if open?(env, operation)

        person || refuse(401, "sign_in", "Sign in first.")
        return person if Core::Roles.may?(person.role, operation.right)

        refuse(403, "not_your_role", "Only #{Core::Roles.named(operation.right)} may do this, and #{person.name} signs in as #{person.role}. " \
                                     "Ask one of them, or lock the till (F9) and sign in as somebody else.")
      end

      # @param person [Store::People::Person, nil]
      # @param id [String] of an operation
      # @return [Boolean] whether what it answers may be shown to them
      def shown?(person, id)
        right = Operations.all.find { |one| one.id == id }.right
        person.nil? || right.nil? || Core::Roles.may?(person.role, right)
      end

      private

      # While nobody is on file there is nothing to sign in to.
      def open?(env, operation)
        operation.right.nil? || !@authentication.people.any? || (SHOWN.include?(operation.id) && @authentication.demo?(env)) # rubocop:disable Style/InverseMethods
      end

      def refuse(...) = raise(Refused.new(...))
    end
  end
end
