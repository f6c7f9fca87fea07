# frozen_string_literal: true

require_relative "../core/9_identification/identify"
require_relative "../core/9_identification/pumps/order_ids"
require_relative "../core/9_identification/pumps/hypotheses"
require_relative "../core/ear/ear"
require_relative "../core/outside/drawings"
require_relative "../exchange/vocabulary_files"

module Gimlet
  module Counter
    # A catalogue made ready to answer from: its pumps laid out by trait, its order classes by scope, and an ear that knows its names.
    #
    #   reference = Reference.new(snapshot, vocabulary, tables)
    #   reference.ear.call("8 bolts").readings         # => [{trait: "head_bolts", value: 8, ...}]
    #   reference.identify(["packings"]).call(readings, channel: "phone").order_classes.first
    class Reference
      SOLVED = 4000
      attr_reader :snapshot, :vocabulary, :field, :tables
      # @return [Core::Outside::Drawings]
      attr_reader :drawings
      # @return [Core::Catalogue::BySeries] what each series calls its pumps and parts
      attr_reader :names
      # @return [Core::Identification::Hypotheses]
      attr_reader :hypotheses
      # @return [Array] what the vocabulary was made of
      attr_reader :words

      # @param snapshot [Core::Catalogue::Snapshot]
      # @param vocabulary [Core::Readings::Vocabulary] of the counter; traits that catalogue documents define are added
      # @param tables [Exchange::ReferenceFiles::Tables]
      # @param order_ids [Core::Identification::OrderIds] kept from catalogue to catalogue
      # @param learned [Hash, nil] of Learn: what this counter's own tickets taught
      # @param before [Reference, nil] the one that it takes the place of: what the change left alone is not worked out again
      def initialize(snapshot, vocabulary, tables, order_ids = Core::Identification::OrderIds.new, learned: nil, before: nil)
        learned ||= { "counts" => {}, "mistaken" => {}, "none" => Core::Readings::Likelihoods::NOT_IN_CATALOGUE }
        @snapshot = snapshot
        @tables = tables
        @words = [vocabulary, { "traits" => snapshot.series.flat_map(&:trait_definitions).uniq, "work" => work(snapshot) }, learned["mistaken"]]
        @vocabulary = before&.words == @words ? before.vocabulary : vocabulary.extended(@words[1]).mistaken(learned["mistaken"])
        @order_ids = order_ids
        @hypotheses = Core::Identification::Hypotheses.new(snapshot, learned["counts"], before&.hypotheses)
        @field = Core::Identification::Field.new(@hypotheses.all, @vocabulary, none: learned["none"], before: before&.field)
        @drawings = before ? before.drawings : Core::Outside::Drawings.new
        @classes = {}
        @names = before ? before.names : Core::Ear::Names.by_series
        @ear_before = before&.ear
        @lock = Mutex.new
      end

      # @param at [Integer] a place in the field
      # @return [Core::Catalogue::Variant]
      def variant(at) = snapshot.variants[at]

      # @param scope [Array<String>]
      # @return [Core::Identification::OrderClasses]
      def classes(scope)
        key = scope.sort
        @classes[key] || @lock.synchronize { @classes[key] ||= Core::Identification::OrderClasses.new(@order_ids.call(snapshot, key)) }
      end

      # @param scope [Array<String>]
      # @return [Core::Identification::Identify]
      def identify(scope) = Core::Identification::Identify.new(field, classes(scope), lacking(scope))

      # @param scope [Array<String>]
      # @return [Array<Integer>] places of what has none of that work on file
      def lacking(scope)
        field.recall(:results, [:lacking, scope.sort]) { @order_ids.lacking(snapshot, scope.sort) }
      end

      # @return [Hash{Core::Catalogue::Part=>Integer}] what the work on a pump needs
      def parts(at, scope)
        field.recall(:results, [:parts, at, scope]) { Core::Identification::PartDifferences.parts(variant(at), scope, snapshot) }
      end

      # @return [Hash] parts of kit plans that were solved before; begun anew when it has grown large
      def solved
        @solved = {} if @solved.nil? || @solved.size > SOLVED
        @solved
      end

      # @return [Core::Diagnosis::Model]
      def diagnosis = Exchange::VocabularyFiles.diagnosis

      # @return [Core::Ear::Listener]
      def ear = @ear || @lock.synchronize { @ear ||= listener.tap { @ear_before = nil } }

      # Works out what the first request would wait for.
      # @param scopes [Array<Array<String>>] those in use
      # @return [self]
      def warm(scopes)
        ear
        field.warm
        scopes.each { |scope| classes(scope) }
        self
      end

      # @return [Array<Array<String>>] scopes that were asked for
      def scopes = @classes.keys

      private

      # Work that series name themselves, in their own words.
      def work(snapshot)
        own = snapshot.series.flat_map(&:areas).reject { |area| Core::Catalogue::WORK_AREAS.key?(area.id) }
        own.map { |area| { "areas" => [area.id], "called" => [area.name, *area.called] } }.uniq
      end

      def listener
        damaged = %w[plate part_number].to_h { |id| [id, field.column(id).names.method(:nearest)] }
        Core::Ear::Listener.new(vocabulary, Core::Ear::Names.new(Core::Ear::Names.exact_of(snapshot, @names.keep(snapshot.series)), damaged),
                                Core::Ear::Lexicon.on_file(vocabulary) { |id| field.column(id).values }, diagnosis.signs.values, before: @ear_before)
      end
    end
  end
end
