# frozen_string_literal: true

require_relative "../verdicts"
require_relative "../plain"
require_relative "../value"

module Gimlet::Core
  # What seals are made of, and what they bear.
  module Materials
    # A material with its limits in °C; `hot_water` for water, `ratings` { medium id => "fits", "temporary" or "no" of Verdicts }.
    Elastomer = Value.of(:id, :name, :from, :to, :hot_water, :also)
    # `verdict` is "fits", "temporary", "no", or nil where the table does not say; `says` a sentence.
    Answer = Value.of(:subject, :verdict, :says)

    # The table of data/reference/elastomers.yml.
    class Table
      WORDS = { "fits" => "goes with", "temporary" => "bears for a while only", "no" => "does not bear" }.freeze
      SILICONE = "silicone_oil"
      TOGETHER = { "no" => "They do not go together.", "temporary" => "For a while only.", "fits" => "They go together." }.freeze

      # @param rows [Hash]
      def initialize(rows)
        @media = rows["media"].merge(SILICONE => rows[SILICONE])
        @lubricants = rows["lubricants"]
        @elastomers = rows["materials"].map { |id, row| Elastomer.new(id: id, **row.transform_keys(&:to_sym)) }
      end

      # @param answers [Array<Answer>]
      # @return [String, nil] what all of them come to; nil where nothing was asked
      def self.together(answers) = TOGETHER[Verdicts.worst(answers.filter_map(&:verdict))]

      attr_reader :elastomers

      # @return [Hash{String=>String}] medium id => name
      def media = @media.except(SILICONE).transform_values { |row| row["name"] }

      # @param medium [String, nil] of `media`
      # @return [String, nil] what it does to people, where it is dangerous
      def hurts(medium) = @media.dig(medium, "hurts")
      def lubricants = @lubricants.keys

      # @param name [String, nil] of a layer's lubricant or of a consumable
      # @return [String, nil] of `lubricants`, the most exact that the name has
      def lubricant(name) = lubricants.select { |lubricant| name.to_s.downcase.include?(lubricant.downcase) }.max_by(&:size)

      # @param told [String, nil] as a sheet or a person names it
      # @return [Elastomer, nil] nil for what is no elastomer of the table
      def find(told)
        text = told.to_s.strip.downcase
        @elastomers.find { |elastomer| elastomer.id.downcase == text || elastomer.name == text || elastomer.also.include?(text) }
      end

      # @param elastomer [Elastomer]
      # @param medium [String, nil] of `media`
      # @param temperature_c [Numeric, nil]
      # @param lubricant [String, nil] of `lubricants`
      # @return [Array<Answer>] one for each thing asked
      def call(elastomer, medium: nil, temperature_c: nil, lubricant: nil)
        [medium && rated("medium", elastomer, medium), temperature_c && heat(elastomer, medium, temperature_c),
         lubricant && lubricated(elastomer, lubricant)].compact
      end

      private

      def rated(subject, elastomer, medium)
        row = @media.fetch(medium)
        verdict = row[elastomer.id]
        Answer.new(subject: subject, verdict: verdict, says: "#{elastomer.id} (#{elastomer.name}) #{WORDS.fetch(verdict)} #{row['name']}.")
      end

      # Water, and what is mostly water, ages rubber sooner than dry heat does.
      def heat(elastomer, medium, temperature)
        wet = medium.nil? || @media.fetch(medium)["watery"]
        most = wet ? elastomer.hot_water : elastomer.to
        bears = temperature.between?(elastomer.from, most)
        span = "#{elastomer.from} to #{most} °C#{' in water' if wet}"
        says = "#{elastomer.id} bears #{span}: #{Plain.number(temperature, 1)} °C is #{bears ? 'within' : 'beyond'} that."
        Answer.new(subject: "temperature", verdict: bears ? "fits" : "no", says: says)
      end

      def lubricated(elastomer, lubricant)
        medium = @lubricants.fetch(lubricant)
        return Answer.new(subject: "lubricant", verdict: "fits", says: "Set in dry.") if medium.nil?

        verdict = @media.fetch(medium)[elastomer.id]
        swells = "Never #{lubricant} on #{elastomer.id}: it swells. #{instead(elastomer)}"
        Answer.new(subject: "lubricant", verdict: verdict, says: verdict == "no" ? swells : "#{elastomer.id} goes with #{lubricant}.")
      end

      def instead(elastomer) = elastomer.id == "VMQ" ? "Use water." : "Use silicone grease or water."
    end
  end
end
