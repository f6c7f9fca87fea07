# frozen_string_literal: true

require "yaml"
require_relative "../core/2_readings/vocabulary"
require_relative "../core/diagnosis/model"
require_relative "../core/safety/hearing"

module Gimlet
  module Exchange
    # The vocabulary that ships with Gimlet, and those that a shop adds, as YAML.
    #
    #   VocabularyFiles.shipped.trait("plunger_mm").name # => "plunger diameter"
    module VocabularyFiles
      FOLDER = File.expand_path("../../../data/vocabulary", __dir__)
      # Bytes.
      LARGEST = 1024 * 1024
      KEYS = %w[traits work complaints words].freeze

      module_function

      # @return [Core::Readings::Vocabulary]
      def shipped
        @shipped ||= Core::Readings::Vocabulary.new(KEYS.to_h { |key| [key, YAML.load_file(File.join(FOLDER, "#{key}.yml"))] })
      end

      # @return [Core::Safety::Hazards]
      def hazards
        @hazards ||= Core::Safety::Hazards.new(YAML.load_file(File.join(FOLDER, "hazards.yml")))
      end

      # @return [Core::Diagnosis::Model]
      def diagnosis
        @diagnosis ||= Core::Diagnosis::Model.new(YAML.load_file(File.join(FOLDER, "diagnosis.yml")), stops: hazards.signs)
      end

      # @param text [String] YAML with any of "traits", "work", "complaints" and "words"
      # @return [Hash] rows, as Vocabulary#extended takes them; they were tried on the shipped ones
      # @raise [Core::InputError]
      def parse(text)
        text.bytesize <= LARGEST || Core::InputError.reject("vocabulary", "bad_vocabulary", "A vocabulary file has at most #{LARGEST / 1024} kB.")
        rows = YAML.safe_load(text)
        unless rows.is_a?(Hash) && (rows.keys - KEYS).empty?
          Core::InputError.reject("vocabulary", "bad_vocabulary", "A vocabulary file has any of the keys #{KEYS.join(', ')}, and no other.")
        end
        shipped.extended(rows)
        rows
      rescue Psych::Exception => e
        Core::InputError.reject("vocabulary", "bad_vocabulary", "The vocabulary is not valid YAML: #{e.message}.")
      rescue NoMethodError, TypeError, ArgumentError, SystemStackError
        Core::InputError.reject("vocabulary", "bad_vocabulary",
                                "The rows of the vocabulary do not have the shape that docs/vocabulary.md shows.")
      end
    end
  end
end
