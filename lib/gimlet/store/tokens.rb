# frozen_string_literal: true

require "digest"
require "securerandom"
require_relative "../core/desk/name"
require_relative "people"

module Gimlet
  module Store
    # What scripts sign in with, kept only as what proves it.
    class Tokens
      # @param database [Sequel::Database]
      def initialize(database)
        @database = database
      end

      # @return [Array<Hash>] :name and :role
      def all = @database[:tokens].order(:name).select(:name, :role).all

      # @return [String] the token, told this once; an earlier one of the same name is worth nothing from now on
      # @raise [Core::InputError]
      def issue(name, role)
        name = Core::Desk::Name.read(name)
        folded = Core::Desk::Name.folded(name)
        Core::Roles::ALL.include?(role) || reject("role", "unknown_role", "“#{role}” is no role: use #{Core::Roles::ALL.join(', ')}.")
        SecureRandom.urlsafe_base64(32).tap do |token|
          @database.transaction(mode: :immediate) do
            @database[:people].where(folded: folded).empty? || reject("name", "name_taken", "#{name} is a person: a script has a name of its own.")
            @database[:tokens].where(folded: folded).delete
            @database[:tokens].insert(digest: digest(token), name: name, folded: folded, role: role)
          end
        end
      end

      # @return [Boolean] whether there was such a one
      def revoke(name) = @database[:tokens].where(folded: Core::Desk::Name.folded(name)).delete.positive?

      # @return [People::Person, nil]
      def person(token)
        row = @database[:tokens].where(digest: digest(token)).first
        row && People::Person.new(name: row[:name], role: row[:role])
      end

      private

      def digest(token) = Digest::SHA256.hexdigest(token.to_s)
      def reject(...) = Core::InputError.reject(...)
    end
  end
end
