# frozen_string_literal: true

require_relative "../core/safety/hazards"

module Gimlet
  module Present
    # Dangers that stand, as the API answers them and an order keeps them.
    #
    #   Stops.call(stops).first[:first] # => ["Stop. Ring the emergency number …", …]
    module Stops
      module_function

      # @param stops [Array<Core::Safety::Stop>]
      # @return [Array<Hash>]
      def call(stops)
        stops.map do |stop|
          hazard = stop.hazard
          { id: hazard.id, kind: hazard.kind.name, name: hazard.name, injury: hazard.injury?, sure: stop.sure, ask: hazard.ask, why: hazard.why,
            first: [*hazard.first, Core::Safety::Hazards::DEFER], lifted: hazard.lifted, since: stop.since, words: stop.words, who: stop.who,
            at: stop.at.iso8601, told: stop.told && { **stop.told.slice(:who, :words), at: stop.told[:at].iso8601 } }
        end
      end
    end
  end
end
