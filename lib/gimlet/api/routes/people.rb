# frozen_string_literal: true

require "securerandom"

module Gimlet
  module API
    module Routes
      # Who may sign in, and which scripts may ask.
      module People
        # What routes here need besides the application's own.
        module Helpers
          def staff = answer(staff: door.people.staff)
          def noted(what, *detail) = Store::History.new(database).note(what, detail, who: who_asks)
        end

        def self.registered(app)
          app.helpers Helpers
          app.get("/api/people") { staff }

          app.post("/api/people") do
            name, role, secret = body_as("NewPerson").values_at("name", "role", "secret")
            door.people.put(name, role, secret)
            noted("person", name, role)
            staff
          end

          leaving(app)
          app.post("/api/tokens") do
            name, role = body_as("NewToken").values_at("name", "role")
            told = door.people.token(name, role)
            noted("token", name, role)
            answer({ token: told }, 201)
          end
        end

        def self.leaving(app)
          app.post("/api/people/leave") do
            name = body_as("Leaver")["name"]
            door.people.remove(name) || missing("There is no “#{name}” to sign in.")
            noted("leaves", name)
            staff
          end
        end
      end
    end
  end
end
