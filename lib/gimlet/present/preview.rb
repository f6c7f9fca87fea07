# frozen_string_literal: true

require_relative "../core/input_error"
require_relative "item_texts"

module Gimlet
  module Present
    # What would be heard from which words of a line that is still being typed.
    #
    #   Preview.new(vocabulary, diagnosis).call(ear.call("8 bolts"))[:heard] # => [{from: 0, to: 7, text: "head bolts 8"}]
    class Preview
      # @param vocabulary [Core::Readings::Vocabulary]
      # @param diagnosis [Core::Diagnosis::Model]
      def initialize(vocabulary, diagnosis)
        @texts = ItemTexts.new(vocabulary, diagnosis)
      end

      # @param heard [Core::Ear::ParseResult]
      # @return [Hash] heard, choices, unheard
      def call(heard)
        { heard: heard.items.flat_map { |item| item(item) }, choices: heard.choices.map do |choice|
          choice(choice)
        end, unheard: heard.unheard.map(&:to_h) }
      end

      private

      def choice(choice)
        { words: choice.words, options: choice.options.map do |items|
          items.flat_map do |item|
            item(item)
          end.flat_map { |one| one[:problem] || one[:texts] }
        end,
          from: choice.from, to: choice.to }
      end

      # A figure beyond any pump is said as it will be said on Enter.
      def item(item)
        [{ from: item.from, to: item.to, texts: @texts.texts(item), problem: nil }]
      rescue Core::InputError => e
        [{ from: item.from, to: item.to, texts: [], problem: e.message }]
      end
    end
  end
end
