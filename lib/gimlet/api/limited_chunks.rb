# frozen_string_literal: true

require "puma"
require "puma/client"

module Gimlet
  module API
    # Puma limits a body that says its length before it writes any of it down. One that comes in chunks says none: it is cut off here when it has
    # grown too long. (Of Puma 6, whose client this is put before; test/shop/outside_test.rb sends such a body.)
    module LimitedChunks
      # Bytes: what the longest file may have, with something over.
      MOST = 10_600_000

      # Said with 413.
      class TooLarge < Puma::HttpParserError
        def initialize = super("The request is larger than the #{MOST / 1_000_000} MB that are taken here.")
      end

      private

      def write_chunk(...)
        super
        raise TooLarge if @chunked_content_length > MOST
      end
    end
  end
end
