# frozen_string_literal: true

require_relative "../core/input_error"
require_relative "../core/ticket/kinds"
require_relative "../store/acts"
require_relative "../store/history"
require_relative "../store/tickets"
require_relative "openapi"
require_relative "request_limits"
require_relative "router"

module Gimlet
  module API
    # What a request asks for, checked, and by whom.
    module Asked
      private

      # Of a list that is shown by the page.
      def page_asked
        page = params.fetch("page", "1")
        page.match?(/\A[1-9]\d{0,5}\z/) ? page.to_i : Core::InputError.reject("page", "bad_page", "A page is a whole number from 1.")
      end

      def state_asked
        state = params.fetch("state", Store::Tickets::OPEN)
        states = Core::Ticket::Kinds::STATES
        return state if [*states, "any"].include?(state)

        Core::InputError.reject("state", "bad_state", "A ticket is #{states.join(', ')}; or any.")
      end

      def listed(page, name) = { name => page.rows, total: page.total, page: page.page, pages: page.pages }

      # @param schema [String] in the OpenAPI document
      # @return [Hash] checked, string keys
      def body_as(schema)
        body = parsed_body
        OpenAPI.check(schema, body)
        signed(schema, body)
      end

      # Who is signed in is who it was, whatever the request says.
      def signed(schema, body)
        person && OpenAPI.property?(schema, body, "who") ? body.merge("who" => person.name) : body
      end

      # @return [String] whose doing it is
      def who_asks = person&.name || "nobody signed in"

      # What is asked for with a key is done once, however often it is sent.
      # @param body [Hash] with its key
      # @yield does it
      # @return [Object] what the block answered, as plain data
      def once(body, &)
        call = env.fetch(Router::CALL)
        place = [call.operation.id, *call.values].join(" ")
        Store::Acts.new(database).once(body.fetch("key"), place, body.except("key", "who"), who: who_asks, &)
      end

      # @param what [String] as the history calls it
      def noted_as(what, **detail) = Store::History.new(database).note(what, detail, who: who_asks)

      # As the request limits have read it.
      def parsed_body = env.fetch(RequestLimits::BODY)
    end
  end
end
