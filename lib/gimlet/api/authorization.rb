# frozen_string_literal: true

require_relative "operations"
require_relative "refused"

module Gimlet
  module API
    # Whether a role may do what is asked for: the roles of each operation stand in the OpenAPI document (`x-roles`), and the owner may do all of it.
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
        return person if person.role == "owner" || operation.roles.include?(person.role)

        refuse(403, "not_your_role",
               "Only #{operation.roles.empty? ? 'the owner' : operation.roles.join(' or ')} may do this, and #{person.name} signs in as " \
               "#{person.role}. Ask one of them, or lock the till (F9) and sign in as somebody else.")
      end

      # @param person [Store::People::Person, nil]
      # @param id [String] of an operation
      # @return [Boolean] whether what it answers may be shown to them
      def shown?(person, id)
        person.nil? || person.role == "owner" || Operations.all.find do |one|
          one.id == id
        end.roles.then { |roles| roles == [:all] || roles.include?(person.role) }
      end

      private

      # While nobody is on file there is nothing to sign in to.
      def open?(env, operation)
        operation.roles == [:all] || !@authentication.people.any? || (SHOWN.include?(operation.id) && @authentication.demo?(env)) # rubocop:disable Style/InverseMethods
      end

      def refuse(...) = raise(Refused.new(...))
    end
  end
end
