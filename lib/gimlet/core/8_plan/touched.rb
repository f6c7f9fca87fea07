# frozen_string_literal: true

require_relative "../1_catalogue/condition"

module Gimlet
  module Core
    module Plan
      # Whether something that a series says `when` certain groups or areas are touched is to be said of this work.
      module Touched
        # @param entry [Catalogue::Caution, Catalogue::Finish]
        # @param teardown [Teardown]
        def self.by?(entry, teardown)
          touched = teardown.groups.map(&:id) + teardown.areas.map(&:id)
          Catalogue::Condition.met?(entry.condition, teardown.variant) && (entry.when == "always" || Array(entry.when).intersect?(touched))
        end
      end
    end
  end
end
