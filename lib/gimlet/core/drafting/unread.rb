# frozen_string_literal: true

require_relative "place"

module Gimlet::Core
  module Drafting
    # What was read against the sheet was read before it was changed: readings of an entry go when something in it becomes another.
    #
    #   Unread.call(document, ["fasteners", "caps", "tightenings", 0, "value"]) # that tightening was not read any more
    module Unread
      CHECKED = "checked"

      module_function

      # @param document [Hash] is changed
      # @param steps [Array<String, Integer>] of what was changed
      # @return [void]
      def call(document, steps)
        return if steps.include?(CHECKED)

        (2..steps.size).each do |size|
          entry = Place.find(document, steps.first(size))
          entry.delete(CHECKED) if entry.is_a?(Hash)
        end
      end
    end
  end
end
