# frozen_string_literal: true

require_relative "operations"
require_relative "router"

module Gimlet
  module API
    # Routes by the id of their operation: method, path, roles and limits stand in the OpenAPI document alone, so that there is no route without them.
    #
    #   app.serve("order") { |id| render_json(known_order(id)) } # GET /api/orders/{id}
    module Serving
      # @param id [String] `operationId`
      # @yield within the application, with the values of the path in their order; answers the body
      # @raise [KeyError] when the document does not have it
      def serve(id, &block)
        operation = Operations.all.find { |known| known.id == id } || raise(KeyError, "the OpenAPI document has no operation #{id}")
        served << id
        public_send(operation.verb.downcase, "/#{id}") { instance_exec(*env.fetch(Router::CALL).values, &block) }
      end

      def served = @served ||= []

      # @raise [KeyError] when the document has an operation that nothing serves
      def all_served!
        missing = Operations.all.map(&:id) - served
        raise KeyError, "nothing serves #{missing.join(', ')}" if missing.any?
      end
    end
  end
end
