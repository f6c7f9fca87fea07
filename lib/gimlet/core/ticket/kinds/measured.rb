# frozen_string_literal: true

require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # A seal or the flow, as it was measured at the bench; what is pumped (`service`) is heard in a line only.
      class Measured < Kind
        SEAL, FLOW, SERVICE = %w[seal flow service].freeze

        SCHEMAS = { SEAL => { "$ref" => "#/components/schemas/MeasureSeal" }, FLOW => { "$ref" => "#/components/schemas/MeasureFlow" } }.freeze

        field "what", { "enum" => SCHEMAS.keys }
        field "measure", { "anyOf" => SCHEMAS.values }

        def self.schema
          super.merge("allOf" => SCHEMAS.map do |what, schema|
            { "if" => { "properties" => { "what" => { "const" => what } } }, "then" => { "properties" => { "measure" => schema } } }
          end)
        end

        def self.check(body, known) = body.merge("readings" => known.measured(body))

        def self.items(body)
          [{ measure: body.slice("what", "measure"), readings: body["readings"].map { |reading| symbols(reading) } }]
        end

        def self.words(body, _areas) = "measured: #{in_words(body)}"

        # @param body [Hash{String=>Object}] what and measure
        # @return [String] as it was said
        def self.in_words(body)
          measure = body["measure"]
          case body["what"]
          when SERVICE then service(measure)
          when FLOW then "bucket: #{flow(measure)}"
          else seal(measure)
          end
        end

        # @return [String]
        def self.flow(measure)
          bucket = measure["bucket"] or return (measure["figures"] || {}).map { |id, value| "#{plain(id)} #{value}" }.join(", ")
          also = bucket.except("litres", "seconds").map { |name, value| "#{name} #{value}" }
          ["#{bucket['litres']} litres in #{bucket['seconds']} s", *also].join(", ")
        end

        # @return [String]
        def self.service(measure)
          hot = "at #{measure['temperature_c']} °C" if measure["temperature_c"]
          "pumps #{[measure['medium']&.then { |id| plain(id) }, hot].compact.join(' ')}"
        end

        def self.seal(measure)
          return "ring: dash #{measure['dash']}" if measure["dash"]

          sizes = measure.except("old", "tool", "kind", "gland").map { |name, value| "#{name.delete_suffix('_mm')} #{value}" }
          also = [("used" if measure["old"]), ("in its groove" if measure["gland"])].compact
          "#{measure['kind'] == 'lip' ? 'seal' : 'ring'}: #{(sizes + also).join(', ')}"
        end
        private_class_method :seal
      end
    end
  end
end
