# frozen_string_literal: true

require_relative "../core/input_error"
require_relative "heard"

module Gimlet
  module Present
    # What would be heard from which words of a line that is still being typed.
    class Preview
      # @param vocabulary [Core::Readings::Vocabulary]
      def initialize(vocabulary)
        @heard = Heard.new(vocabulary)
      end

      # @param heard [Core::Ear::Heard]
      # @return [Hash] heard, unheard
      def call(heard)
        { heard: heard.items.flat_map { |item| item(item) }, unheard: heard.unheard.map(&:to_h) }
      end

      private

      # A figure beyond any pump is said as it will be said on Enter.
      def item(one)
        [{ from: one.from, to: one.to, texts: @heard.texts(one), problem: nil }]
      rescue Core::InputError => e
        [{ from: one.from, to: one.to, texts: [], problem: e.message }]
      end
    end
  end
end
