# frozen_string_literal: true

require_relative "measured_flow"
require_relative "measured_seal"

module Gimlet
  module Present
    # What was measured in the course of a ticket: what was told, the verdict, the sums.
    module MeasuredOnTicket
      module_function

      # @param kept [Array<Counter::MeasuredOnTicket::Kept>]
      # @return [Array<Hash>]
      def call(kept)
        kept.map { |one| { of: one.of, item: one.item, what: one.what, measure: one.measure, **(one.problem ? lost(one) : send(one.what, one)) } }
      end

      def lost(one) = { told: words("what" => one.what, "measure" => one.measure), verdict: one.problem, sums: [] }

      def flow(one)
        shown = MeasuredFlow.call(one.found)
        { told: told(one.measure), verdict: shown[:verdict], sums: shown[:told].map { |sum| sum[:sum] } + shown[:disagreements].map do |sum|
          sum[:sum]
        end }
      end

      def seal(one)
        shown = MeasuredSeal.call(one.found)
        best = (shown[:on_file] + shown[:standard]).find { |row| row[:label] == shown[:verdict][:name] }
        { told: shown[:told], verdict: [shown[:verdict][:name], shown[:verdict][:words]].compact.join(": "),
          sums: best ? best[:sums].map { |sum| "#{sum[:name]} #{sum[:sum]}" } : [] }
      end

      # What was said of it, as it was said.
      def told(measure)
        bucket = measure["bucket"] or return (measure["figures"] || {}).map { |id, value| "#{id.tr('_', ' ')} #{value}" }.join(", ")
        also = bucket.except("litres", "seconds").map { |name, value| "#{name} #{value}" }
        ["#{bucket['litres']} litres in #{bucket['seconds']} s", *also].join(", ")
      end

      def service(measure)
        "pumps #{[measure['medium']&.tr('_', ' '), ("at #{measure['temperature_c']} °C" if measure['temperature_c'])].compact.join(' ')}"
      end

      # @param told [Hash] what and measure
      # @return [String] for the log
      def words(told)
        measure = told["measure"]
        return service(measure) if told["what"] == "service"
        return "bucket: #{told(measure)}" if told["what"] == "flow"
        return "ring: dash #{measure['dash']}" if measure["dash"]

        sizes = measure.except("old", "tool", "kind", "gland").map { |name, value| "#{name.delete_suffix('_mm')} #{value}" }
        "#{measure['kind'] == 'lip' ? 'seal' : 'ring'}: #{(sizes + [('used' if measure['old']),
                                                                    ('in its groove' if measure['gland'])]).compact.join(', ')}"
      end
    end
  end
end
