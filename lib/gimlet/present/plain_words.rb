# frozen_string_literal: true

require "json"

module Gimlet
  module Present
    # What was noted as data, in a line that people read.
    #
    #   PlainWords.call('{"words":"8 bolts","who":null}') # => "words: 8 bolts"
    module PlainWords
      LONGEST = 300

      module_function

      # @param detail [String] JSON
      # @return [String] cut off where it is long
      def call(detail)
        told = words(JSON.parse(detail))
        told.size > LONGEST ? "#{told[0, LONGEST]} …" : told
      end

      def words(value)
        case value
        when Hash then value.compact.map { |key, one| "#{key}: #{words(one)}" }.join("; ")
        when Array then value.map { |one| one.nil? ? "nothing" : words(one) }.join(", ")
        else value.to_s
        end
      end
    end
  end
end
