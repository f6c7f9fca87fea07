# frozen_string_literal: true

require_relative "../3_teardown/applies_to"
require_relative "../refit/position"

module Gimlet::Core
  module Plan
    # The crank position that a series wants before its manifold goes back on.
    module Refitting
      # @param teardown [Teardown]
      # @return [Refit::Position, nil] nil where nothing is asked for, or stroke or rod are not on file
      def self.of(teardown)
        due = teardown.variant.series.refit
        Refit::Position.of(due.school, teardown.variant.model) if due && AppliesTo.work?(due, teardown)
      end
    end
  end
end
