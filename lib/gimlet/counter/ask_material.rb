# frozen_string_literal: true

require_relative "../core/input_error"
require_relative "../core/materials/elastomers"
require_relative "../core/value"

module Gimlet
  module Counter
    # What a rubber bears of what it meets.
    #
    #   AskMaterial.new(tables.elastomers).call("material" => "NBR", "medium" => "diesel").verdict # => "They go together."
    class AskMaterial
      Found = Core::Value.of(:elastomer, :verdict, :answers)

      # @param table [Core::Materials::Table]
      def initialize(table)
        @table = table
      end

      # @param request [Hash{String=>Object}] of the OpenAPI schema AskMaterial
      # @return [Found]
      # @raise [Core::InputError]
      def call(request)
        elastomer = @table.find(request["material"]) || unknown(request["material"])
        asked = request.slice("medium", "temperature_c", "lubricant").transform_keys(&:to_sym)
        answers = @table.call(elastomer, **asked)
        Found.new(elastomer: elastomer, verdict: Core::Materials::Table.together(answers), answers: answers)
      end

      private

      def unknown(told)
        known = @table.elastomers.map(&:id).join(", ")
        Core::InputError.reject("material", "unknown_material", "“#{told}” is no material known here: #{known}.")
      end
    end
  end
end
