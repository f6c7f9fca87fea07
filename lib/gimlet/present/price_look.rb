# frozen_string_literal: true

module Gimlet
  module Present
    # What a price list would change, as an answer. Long lists are counted whole and shown in part.
    module PriceLook
      SHOWN = 200

      module_function

      # @param look [Counter::TakePriceList::Look]
      # @return [Hash] of the OpenAPI schema PriceLook
      def call(look)
        changes = look.changes.first(SHOWN).map { |change| { **change.to_h, was: change.was&.to_h, now: change.now.to_h } }
        { mark: look.mark, changed: look.changes.size, same: look.same, unsold: look.changes.count { |change| !change.sold },
          changes: changes, refused: look.refused.first(SHOWN), refused_lines: look.refused.size }
      end
    end
  end
end
