# frozen_string_literal: true

require "json"
require "rack/utils"

module Gimlet
  module API
    # A problem document (RFC 9457): one shape for everything that goes wrong.
    #
    #   Problem.document(404, "not_found", "There is no order 7.") # => {title: "Not Found", status: 404, ...}
    module Problem
      MEDIA = "application/problem+json"
      INTERNAL = "Something went wrong here; nothing was changed. Try again, and tell us if it stays."

      module_function

      # @param more [Hash] what the code promises beside the usual fields
      # @return [Hash] plain data
      def document(status, code, sentence, field: nil, **more)
        { title: Rack::Utils::HTTP_STATUS_CODES[status], status: status, detail: sentence, field: field, code: code, **more }
      end

      # @return [Array] an answer of Rack
      def answer(status, code, sentence, field: nil, headers: {})
        [status, { "content-type" => MEDIA, **headers }, [JSON.generate(document(status, code, sentence, field: field))]]
      end
    end
  end
end
