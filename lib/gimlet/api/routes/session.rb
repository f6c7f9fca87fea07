# frozen_string_literal: true

module Gimlet
  module API
    module Routes
      # Who is at the till.
      module Session
        def self.registered(app)
          app.get("/api/session") { answer(session_view(env[Door::PERSON])) }

          app.post("/api/session") do
            body = body_as("SignIn")
            shown = body["secret"].to_s.empty? && door.demo?(env)
            told = shown ? door.people.let_in(body["name"]) : door.people.sign_in(*body.values_at("name", "secret"))
            session_cookie(told, Store::People::SESSION_S)
            answer(session_view(door.people.session(told)), 201)
          end

          app.post("/api/session/end") do
            body_as("Nothing")
            door.people.end_session(door.cookie(env))
            session_cookie("", 0)
            answer(session_view(nil))
          end
        end
      end
    end
  end
end
