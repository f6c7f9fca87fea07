# frozen_string_literal: true

require_relative "../core/desk/name"
require_relative "../core/input_error"
require_relative "../core/roles"
require_relative "../core/value"
require_relative "secrets"
require_relative "sign_in_attempts"

module Gimlet
  module Store
    # Who works here and in which role.
    #
    #   people = People.new(database)
    #   people.upsert("Ines", "counter", "482193")
    #   people.verified("Ines", "482193") # => the Person
    class People
      SHORTEST = 4
      # PINs that are tried first.
      RUNS = %w[01234567890123456789 98765432109876543210 abcdefghijklmnopqrstuvwxyz].freeze

      Person = Core::Value.of(:id, :name, :role)

      # @param database [Sequel::Database]
      # @param cost [Integer] bcrypt's work
      def initialize(database, cost: Secrets::COST)
        @database = database
        @secrets = Secrets.new(database.opts[:database], cost: cost)
      end

      def any? = !@database[:people].where(active: true).empty?

      # @return [Array<Person>]
      def all = @database[:people].where(active: true).order(:id).map { |row| person(row) }

      # @param name [String] as typed: it is theirs where it is folded alike
      # @return [Person, nil]
      def named(name) = row_of(name)&.then { |row| person(row) }

      # Made, or given another role and secret; sessions, tills and locks of before are gone.
      # @param secret [String] a PIN or a password
      # @raise [Core::InputError]
      def upsert(name, role, secret)
        name = Core::Desk::Name.read(name)
        known_role(role)
        name = known_as(name)
        good_secret(name, role, secret.to_s)
        kept = @secrets.keep(name, secret)
        @database.transaction(mode: :immediate) do
          role == "owner" || !last_owner?(name) || reject("role", "last_owner", "#{name} is the only owner: make another one first.")
          @database[:tokens].where(folded: Core::Desk::Name.folded(name)).empty? || reject("name", "name_taken",
                                                                                           "A script is called #{name}: choose another name.")
          fields = { role: role, secret: kept, active: true }
          @database[:people].insert_conflict(target: :name, update: fields).insert(name: name, folded: Core::Desk::Name.folded(name), **fields)
          ended(name)
        end
      end

      # Signs in no more.
      # @return [Boolean] whether there was such a person
      # @raise [Core::InputError] when nobody could let anyone in afterwards
      def deactivate(name)
        name = known_as(name)
        @database.transaction(mode: :immediate) do
          last_owner?(name) && reject("name", "last_owner", "#{name} is the only owner: make another one first.")
          ended(name)
          @database[:people].where(name: name, active: true).update(active: false).positive?
        end
      end

      # Takes as long for a name that nobody has.
      # @return [Person, nil] nil where the secret is wrong or nobody has the name
      def verified(name, secret)
        row = row_of(name)
        return unless @secrets.right?(row ? row[:name] : name, row && row[:secret], secret)

        person(row)
      end

      # What an earlier version kept without the key.
      def seal
        @database[:people].exclude(Sequel.like(:secret, "#{Secrets::SEALED}%")).each do |row|
          @database[:people].where(id: row[:id], secret: row[:secret]).update(secret: @secrets.sealed(row[:name], row[:secret]))
        end
      end

      private

      def person(row) = Person.new(**row.slice(:id, :name, :role))

      def row_of(name)
        @database[:people].where(active: true, folded: Core::Desk::Name.folded(name)).first
      end

      # However it is typed now: secrets are kept with the name as it was first written.
      def known_as(name) = @database[:people].where(folded: Core::Desk::Name.folded(name)).get(:name) || name

      def ended(name)
        ids = @database[:people].where(name: name).select(:id)
        %i[sessions tills].each { |table| @database[table].where(person_id: ids).delete }
        @database[:sign_in_attempts].where(counted: SignInAttempts.of_name(name)).delete
      end

      def last_owner?(name) = @database[:people].where(active: true, role: "owner").select_map(:name) == [name]

      def known_role(role)
        Core::Roles::ALL.include?(role) || reject("role", "unknown_role", "“#{role}” is no role: use #{Core::Roles::ALL.join(', ')}.")
      end

      def good_secret(name, role, secret)
        secret.size >= SHORTEST || reject("secret", "too_short", "A PIN or password has at least #{SHORTEST} characters.")
        longest = Secrets::LONGEST_BYTES
        secret.bytesize <= longest || reject("secret", "too_long", "A PIN or password has at most #{longest} bytes.")
        return unless Core::Roles::TRUSTED.include?(role) && guessed_first?(name, secret.downcase)

        reject("secret", "too_easy", "This would be guessed first: for #{role} take no blanks, no run such as 1234, no single figure again and " \
                                     "again, and not the name.")
      end

      def guessed_first?(name, secret)
        secret.strip.empty? || secret.chars.uniq.one? || secret == Core::Desk::Name.folded(name) || RUNS.any? { |run| run.include?(secret) }
      end

      def reject(...) = Core::InputError.reject(...)
    end
  end
end
