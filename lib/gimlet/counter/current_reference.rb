# frozen_string_literal: true

require_relative "../exchange/reference_files"
require_relative "../exchange/vocabulary_files"
require_relative "../store/catalogue"
require_relative "../store/settings"
require_relative "learn"
require_relative "reference"

module Gimlet
  module Counter
    # The reference that is in use. When the catalogue was changed, by this process or another, whoever asks from then on waits for the next one: an
    # answer from an old catalogue is a wrong answer. What only the shop's words or its own tickets changed is built beside the one in use and takes
    # its place when it is ready; who asks in the meantime waits a little, then is answered from the old one.
    #
    #   references = CurrentReference.new(database)
    #   references.current.snapshot.version                # of the catalogue on file
    #   references.current(newest: true).snapshot.version  # with the newest words and what was learned last, however long it takes
    class CurrentReference
      # Seconds that a step at the counter waits for a new catalogue.
      GRACE = 0.3
      AT_THE_COUNTER = 3
      # CurrentReference that several apps of one process share, by version.
      SHARED = {} # rubocop:disable Style/MutableConstant
      MOST_SHARED = 3
      SHARING = Mutex.new
      VOCABULARY = "vocabulary"

      # @param shop [String, nil] the shop's own words, as YAML
      # @return [Core::Readings::Vocabulary]
      def self.vocabulary(shop)
        shop ? Exchange::VocabularyFiles.shipped.extended(Exchange::VocabularyFiles.parse(shop)) : Exchange::VocabularyFiles.shipped
      end

      # @param database [Sequel::Database]
      # @return [Core::Readings::Vocabulary] that ships, with the shop's own words
      def self.vocabulary_of(database) = vocabulary(Store::Settings.new(database)[VOCABULARY])

      # @param database [Sequel::Database]
      def initialize(database)
        @database = database
        @catalogue = Store::Catalogue.new(database)
        @settings = Store::Settings.new(database)
        @order_ids = Core::Identification::OrderIds.new
        @lock = Mutex.new
      end

      # @return [Store::Catalogue]
      attr_reader :catalogue

      # @return [Core::Readings::Vocabulary] that a document is held against: what ships, with the shop's own words
      def vocabulary = self.class.vocabulary(@settings[VOCABULARY])

      # @param newest [Boolean] whether to wait for the newest, however long it takes
      # @return [Reference]
      def current(newest: false)
        # A step at the counter is not interrupted by what is built beside it.
        Thread.current.priority = AT_THE_COUNTER
        version = version()
        return @current.last if @current&.first == version

        builder = @lock.synchronize { builder_of(version) }
        must = newest || @current.nil? || @current.first.first != version.first
        builder.join(must ? nil : [GRACE - (now - @begun), 0].max)
        raise builder[:failure] if builder[:failure] && must

        @current.last
      end

      private

      # The catalogue, the shop's words, and what was learned.
      def version = [@catalogue.version, @settings[VOCABULARY], Learn.mark(@database)]

      def builder_of(version)
        return @builder if @building == version && (@builder.alive? || @current&.first == version)

        @building = version
        @begun = now
        @builder = Thread.new { build(version) }.tap { |thread| thread.priority = 0 }
      end

      def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)

      def build(version)
        Thread.current.report_on_exception = false
        reference = SHARED[version] || share(version, made(version))
        @lock.synchronize { @current = [version, reference] }
      rescue StandardError => e
        Thread.current[:failure] = e
      end

      def made(version)
        snapshot = @catalogue.snapshot
        @order_ids.keep(snapshot.series)
        learned = version.last && Learn.learned(@database)
        Reference.new(snapshot, self.class.vocabulary(version[1]), Exchange::ReferenceFiles::TABLES, @order_ids, learned: learned,
                                                                                                                 before: @current&.last)
                 .warm(@current&.last&.scopes || [])
      end

      def share(version, reference)
        SHARING.synchronize do
          SHARED.shift if SHARED.size >= MOST_SHARED
          SHARED[version] ||= reference
        end
      end
    end
  end
end
