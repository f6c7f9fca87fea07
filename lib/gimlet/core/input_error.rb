# frozen_string_literal: true

require_relative "../core"

module Gimlet::Core
  # Something typed or sent that cannot be used. The message is a sentence for the specialist that
  # says what is wrong and how to put it right.
  class InputError < StandardError
    # @return [String] the request field, for example "readings[2].unit"
    attr_reader :field
    # @return [String] stable snake_case name of the mistake
    attr_reader :code

    def initialize(message, field:, code:)
      super(message)
      @field = field
      @code = code
    end

    # @raise [InputError] always
    def self.reject(field, code, sentence) = raise(new(sentence, field: field, code: code))

    # @return [InputError] the same mistake, located inside an outer field
    def within(outer) = self.class.new(message, field: [outer, field].compact.join("."), code: code)
  end
end
