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
      PAGE = <<~HTML
        <!doctype html><html lang="en"><meta charset="utf-8"><title>%s · Gimlet</title>
        <body style="font: 19px/1.5 sans-serif; max-width: 40em; margin: 3em auto; padding: 0 1em"><h1>%s</h1><p>%s</p><p><a href="/">Back to Gimlet</a></p></body></html>
      HTML
      INTERNAL = "Something went wrong here; nothing was changed. Try again; if it stays, tell whoever looks after Gimlet here."

      module_function

      # @param more [Hash] what the code promises beside the usual fields
      # @return [Hash] plain data
      def document(status, code, sentence, field: nil, **more)
        { title: Rack::Utils::HTTP_STATUS_CODES[status], status: status, detail: sentence, field: field, code: code, **more }
      end

      # @param text [String] a problem document
      # @return [Array] an answer of Rack, for somebody who looks at it in a browser
      def page(status, text)
        told = JSON.parse(text)
        [status, { "content-type" => "text/html; charset=utf-8", "content-security-policy" => "default-src 'none'; style-src 'unsafe-inline'" },
         [format(PAGE, *[told["title"], told["title"], told["detail"]].map { |one| Rack::Utils.escape_html(one) })]]
      end

      # @return [Array] an answer of Rack
      def answer(status, code, sentence, field: nil, headers: {})
        [status, { "content-type" => MEDIA, **headers }, [JSON.generate(document(status, code, sentence, field: field))]]
      end
    end
  end
end
