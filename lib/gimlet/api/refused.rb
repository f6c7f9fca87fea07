# frozen_string_literal: true

module Gimlet
  module API
    # A request that is turned away, in words.
    #
    #   raise Refused.new(404, "not_found", "There is no order 7.")
    class Refused < StandardError
      attr_reader :status, :code, :field, :headers

      # @param status [Integer] of HTTP
      # @param code [String] that stays the same for scripts
      # @param sentence [String] what is wrong and how to put it right
      # @param field [String, nil] where
      # @param headers [Hash{String=>String}] of the answer
      def initialize(status, code, sentence, field: nil, headers: {})
        super(sentence)
        @status, @code, @field, @headers = status, code, field, headers
      end
    end
  end
end
