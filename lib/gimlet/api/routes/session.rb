# frozen_string_literal: true

require_relative "../../counter/sign_in"

module Gimlet
  module API
    module Routes
      # Who is at the till.
      module Session
        TILL_S = 365 * 24 * 3600

        # What routes here need besides the application's own.
        module Helpers
          def sign_in
            Gimlet::Counter::SignIn.new(people: authentication.people, sessions: authentication.sessions, tills: authentication.tills,
                                        database: database)
          end

          # Names go to nobody that is not known here.
          def session_view(person)
            told = authentication.names_told(env).map { |one| one.to_h.slice(:name, :role) }
            somebody = person && { **person.to_h.slice(:name, :role), home: Core::Roles::TABLE.fetch(person.role).home }
            { person: somebody, may: may(person), people: told, sign_in: authentication.people.any?, demo: authentication.demo?(env),
              ways: ways.to_h }
          end

          # What of all that is served they may ask for.
          # @return [Array<String>] ids of operations
          def may(person) = Operations.all.map(&:id).select { |id| @authorization.shown?(person, id) }

          def enter(name, secret)
            place = { address: peer.address, till: authentication.till_cookie(env), session: authentication.session_cookie(env) }
            secret.to_s.empty? && authentication.demo?(env) ? sign_in.shown(name, **place) : sign_in.call(name, secret, **place)
          end

          # Read by no script, sent to no other site.
          def cookie(name, value, seconds)
            response.set_cookie(name, value: value, path: "/", httponly: true, same_site: :strict, max_age: seconds.to_s,
                                      secure: peer.scheme == "https")
          end
        end

        def self.registered(app)
          app.helpers Helpers
          app.serve("session") { render_json(session_view(person)) }

          app.serve("signIn") do
            cookies = enter(*body_as("SignIn").values_at("name", "secret"))
            cookie(Authentication::SESSION_COOKIE, cookies.session, Store::Sessions::LONGEST_S)
            cookie(Authentication::TILL_COOKIE, cookies.till, TILL_S)
            render_json(session_view(authentication.sessions.person(cookies.session)), 201)
          end

          app.serve("signOut") do
            body_as("Nothing")
            authentication.sessions.end(authentication.session_cookie(env))
            cookie(Authentication::SESSION_COOKIE, "", 0)
            render_json(session_view(nil))
          end
        end
      end
    end
  end
end
