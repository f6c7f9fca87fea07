# frozen_string_literal: true

module Gimlet
  module Present
    # What a price list would change, as an answer. Long lists are counted whole and shown in part.
    module PriceDryRun
      SHOWN = 200

      module_function

      # @param found [Counter::TakePriceList::DryRun]
      # @return [Hash] of the OpenAPI schema PriceDryRun
      def call(found)
        changes = found.changes.first(SHOWN).map { |change| { **change.to_h, was: change.was&.then { |one| told(one) }, now: told(change.now) } }
        { mark: found.mark, changed: found.changes.size, same: found.same, unsold: found.changes.count { |change| !change.sold },
          changes: changes, refused: found.refused.first(SHOWN), refused_lines: found.refused.size }
      end

      def told(stock) = stock.to_h.except(:reserved)
    end
  end
end
