# frozen_string_literal: true

module Gimlet::Core
  module Identification
    # Agreed work that the leading pump has nothing on file for is never enough to order.
    module WorkOnFile
      # @param found [Identified]
      # @param agreed [Array<String>] work area ids
      # @param leader [Catalogue::Variant] of the likeliest order
      # @return [Identified]
      def self.held(found, agreed, leader)
        return found if (agreed - leader.series.areas_of(leader).map(&:id)).empty?

        found.with(enough: false, blockers: found.blockers + ["not_on_file"])
      end
    end
  end
end
