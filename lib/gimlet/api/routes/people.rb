# frozen_string_literal: true

require_relative "../../store/sign_in_attempts"

module Gimlet
  module API
    module Routes
      # Who may sign in, and which scripts may ask.
      module People
        # What routes here need besides the application's own.
        module Helpers
          def noted(what, *detail) = Store::History.new(database).note(what, detail, who: who_asks)

          def staff
            attempts = Store::SignInAttempts.new(database)
            people = authentication.people.all.map do |person|
              { kind: "person", name: person.name, role: person.role, locked_until: attempts.locked_until(person.name) }
            end
            scripts = authentication.tokens.all.map { |script| { kind: "script", locked_until: nil, **script } }
            render_json(staff: people + scripts)
          end
        end

        def self.registered(app)
          app.helpers Helpers
          app.serve("people") { staff }

          app.serve("putPerson") do
            name, role, secret = body_as("NewPerson").values_at("name", "role", "secret")
            authentication.people.upsert(name, role, secret)
            noted("person", name, role)
            staff
          end

          app.serve("leave") do
            name = body_as("Leaver")["name"]
            authentication.people.deactivate(name) || authentication.tokens.revoke(name) || missing("There is no “#{name}” to sign in.")
            noted("leaves", name)
            staff
          end

          scripts(app)
        end

        def self.scripts(app)
          app.serve("newToken") do
            name, role = body_as("NewToken").values_at("name", "role")
            token = authentication.tokens.issue(name, role)
            noted("token", name, role)
            render_json({ token: token }, 201)
          end
        end
      end
    end
  end
end
