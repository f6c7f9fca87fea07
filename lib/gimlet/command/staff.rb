# frozen_string_literal: true

require "securerandom"
require_relative "../store/history"
require_relative "../store/people"
require_relative "../store/tokens"

module Gimlet
  class Command
    # Who may sign in, and the tokens of scripts.
    module Staff
      VERBS = { ["people", 1] => :people, ["person", 3] => :person, ["person", 4] => :person, ["leaves", 2] => :leaves,
                ["token", 3] => :token }.freeze

      private

      def staff = Store::People.new(database)
      def scripts = Store::Tokens.new(database)

      def people
        staff.all.each { |person| @out.puts "#{person.name}, #{person.role}" }
        scripts.all.each { |script| @out.puts "#{script[:name]}, #{script[:role]}, a script" }
        true
      end

      def person(name, role, secret = nil)
        told = secret || SecureRandom.alphanumeric(10)
        staff.upsert(name, role, told)
        noted("person", name, role)
        @out.puts "#{name} signs in as #{role}#{" with #{told}; it is not shown again" unless secret}."
        true
      end

      def leaves(name)
        staff.deactivate(name) || scripts.revoke(name) || Core::InputError.reject("name", "unknown_person", "There is no “#{name}” to sign in.")
        noted("leaves", name)
        @out.puts "#{name} signs in no more."
        true
      end

      def token(name, role)
        @out.puts scripts.issue(name, role)
        noted("token", name, role)
        true
      end

      def noted(what, *detail) = Store::History.new(database).note(what, detail, who: Store::History.at_the_keyboard)
    end
  end
end
