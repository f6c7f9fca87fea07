# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Diagnosis
    # Something that may have gone. `areas` are work areas that mend it, `also` { sign id => those more where it was told }; none where no
    # seal or valve does. `at` is where the fault lies, one of the model's `lies`. `often` is its share of calls,
    # `group` the id under which causes are told together, `mend` what is to be done besides, or instead of, parts.
    Cause = Value.of(:id, :name, :group, :at, :areas, :also, :often, :because, :mend) do
      def self.from(row) = new(**{ "group" => row["id"], "also" => {}, "at" => "pump" }.merge(row).transform_keys(&:to_sym))

      def pump? = at == "pump"
      def areas_with(told) = (areas + also.values_at(*(also.keys & told)).flatten).uniq
    end

    # Something that is noticed. `shows` is { cause id => how often the cause shows it }, `anyway` how often it is noticed without any of
    # them. `of` is the sign that this one says more closely, `say` how it is told; `off_picture` where no drawing of the pump
    # shows its place. `said` are phrases that tell it, `fine` those that deny it; `finds`
    # the words by which a sheet says what becomes of the piece that shows it.
    # One that is `measured` is only worked out from figures. A sign with `ask` can be checked in `seconds`, and only while the pump `runs`.
    Sign = Value.of(:id, :name, :of, :off_picture, :say, :ask, :seconds, :runs, :measured, :anyway, :shows, :said, :fine, :finds) do
      def self.from(row) = new(**{ "said" => [], "fine" => [] }.merge(row).transform_keys(&:to_sym))

      # @return [Boolean] whether something would have been said of it
      def spoken_of? = !(ask || of || measured)

      # Each cause shows it by itself (noisy-or: J. Pearl, Probabilistic Reasoning in Intelligent Systems, 1988, section 4.3).
      # @param causes [Array<Cause>] those at work
      # @return [Float] chance that it is there
      def chance(causes) = 1 - causes.reduce(1 - anyway) { |none, cause| none * (1 - shows.fetch(cause.id, 0)) }
    end

    # Causes and signs as the vocabulary has them.
    class Model
      # A sign that follows from its closer ones is never surer than this.
      SUREST = 0.97

      # @return [Hash{String=>Float}] how much work each area is, beside each other, and a return ("return")
      attr_reader :causes, :signs, :work

      # @return [Hash{String=>String}] signs that should be told more closely, the first first, and how that is asked
      attr_reader :closely

      # @return [Hash{String=>Hash}] where a fault may lie: "said" behind its name, "no_parts" where it asks for none
      attr_reader :lies

      # @param rows [Hash] "causes", "signs" and "work", string keys
      # @param stops [Array<String>] ids of signs with which a pump must not be run (Safety::Hazards)
      def initialize(rows, stops: [])
        @stops = stops
        @causes = rows["causes"].map { |row| Cause.from(row) }.freeze
        closer = rows["signs"].group_by { |row| row["of"] }
        @signs = rows["signs"].to_h { |row| [row["id"], Sign.from(row.merge("shows" => shows(row, closer.fetch(row["id"], []))))] }.freeze
        @work = rows["work"] || {}
        @closely = rows["closely"] || {}
        @lies = rows["lies"] || { "pump" => {} }
        misspelt
        freeze
      end

      # @return [Boolean] whether a pump that shows it must not be run
      def stops?(id) = @stops.include?(id)

      # @return [Array<Sign>] that can be checked
      def checks = signs.values.select(&:ask)

      # @return [Array<Sign>] those that say this one more closely
      def closer(id) = signs.values.select { |sign| sign.of == id }

      private

      # A name that nothing has would only make a cause or a sign weaker, and nobody would see it.
      def misspelt
        places = @signs.values.flat_map { |sign| of_sign(sign, @causes.map(&:id)) } + @causes.flat_map { |cause| of_cause(cause) }
        places += (@stops - @signs.keys).map { |id| "a danger is of #{id}, which is no sign" }
        places += @closely.keys.select { |id| closer(id).empty? }.map { |id| "#{id} is asked closely, and nothing says it more closely" }
        places.empty? || raise(ArgumentError, "The diagnosis names what is not there: #{places.join('; ')}.")
      end

      def of_sign(sign, known)
        [*(sign.shows.keys - known).map { |id| "#{sign.id} shows #{id}, which is no cause" },
         *("#{sign.id} is of #{sign.of}, which is no sign" if sign.of && !@signs.key?(sign.of))]
      end

      def of_cause(cause)
        [*(cause.also.keys - @signs.keys).map { |id| "#{cause.id} has also #{id}, which is no sign" },
         *("#{cause.id} lies at #{cause.at}, which is no place" unless @lies.key?(cause.at))]
      end

      # It drips at one place or another: the shares of the places add up.
      def shows(row, closer)
        all = closer.map { |one| one["shows"] }.reduce({}) { |sum, one| sum.merge(one) { |_, some, more| some + more } }
        all.transform_values { |share| [share, SUREST].min }.merge(row["shows"])
      end
    end
  end
end
