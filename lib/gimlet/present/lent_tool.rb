# frozen_string_literal: true

module Gimlet
  module Present
    # A tool with its own tag, and where it is.
    module LentTool
      module_function

      # @param tool [Core::Desk::Loan]
      # @param today [Date]
      # @return [Hash] of the OpenAPI schema LentTool
      def call(tool, today)
        { **tool.to_h, until: tool.until&.iso8601, deposit_cents: tool.deposit_cents || tool.price_cents, free: tool.free?,
                       overdue: tool.overdue?(today) }
          .except(:price_cents)
      end
    end
  end
end
