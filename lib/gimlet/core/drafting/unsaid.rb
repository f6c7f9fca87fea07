# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Drafting
    # What a sheet says of its pumps and nobody has said of this one: what whoever gets or writes the sheet asks next.
    #
    #   Unsaid.of(snapshot, ["plate", "head_bolts"]) # => ["maker", "cylinders", ...]
    module Unsaid
      # Of the series on file, so many must say it. Common practice, no source.
      USUAL = 0.5

      module_function

      # @param snapshot [Catalogue::Snapshot]
      # @param told [Array<String>] traits that something was said of
      # @return [Array<String>] traits, those first that most series say
      def of(snapshot, told)
        said = snapshot.variants.group_by(&:series).values.flat_map { |pumps| pumps.flat_map { |pump| pump.traits.keys }.uniq }.tally
        usual = said.select { |_, series| series >= USUAL * snapshot.series.size }
        usual.keys.reject { |trait| told.include?(trait) }.sort_by { |trait| [-usual[trait], trait] }
      end
    end
  end
end
