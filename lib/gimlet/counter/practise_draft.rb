# frozen_string_literal: true

require_relative "../core/1_catalogue/snapshot"
require_relative "identify_pump"
require_relative "reference"

module Gimlet
  module Counter
    # A counter with a draft in the place of what is on file, and nothing that is kept.
    #
    #   PractiseDraft.new(reference, vocabulary, customers).call(status, channel: "phone", text: "8 bolts").identification
    class PractiseDraft
      # @param reference [Reference] in use
      # @param vocabulary [Core::Readings::Vocabulary] of the shop
      # @param customers [Store::Customers]
      def initialize(reference, vocabulary, customers)
        @reference = reference
        @vocabulary = vocabulary
        @customers = customers
      end

      # @param status [WriteSeries::DraftStatus] of a draft that is sound
      # @param request [Hash{Symbol=>Object}] of the OpenAPI schema IdentifyRequest
      # @return [IdentifyPump::Result]
      def call(status, request)
        replaced = [status.series.id, status.draft.series_id]
        others = @reference.snapshot.series.reject { |one| replaced.include?(one.id) }
        snapshot = Core::Catalogue::Snapshot.new([*others, status.series], version: "draft #{status.draft.id}.#{status.draft.version}")
        IdentifyPump.new(Reference.new(snapshot, @vocabulary, @reference.tables), @customers).call(request)
      end
    end
  end
end
