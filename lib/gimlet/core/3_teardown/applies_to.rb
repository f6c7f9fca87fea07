# frozen_string_literal: true

require_relative "../1_catalogue/condition"

module Gimlet::Core
  # Whether something that a series says `when` certain groups or areas are touched is to be said of this work: areas that are worked on because
  # other work lies behind them are touched too.
  module AppliesTo
    # @param entry [Catalogue::Caution, Catalogue::Finish, Catalogue::CloseStep]
    # @param teardown [Teardown]
    def self.work?(entry, teardown)
      touched = (teardown.groups + teardown.areas + teardown.on_the_way.keys).map(&:id)
      return false if entry.members.include?(:renewing) && !teardown.renews?(entry)

      Catalogue::Condition.met?(entry.condition, teardown.variant) && (entry.when == "always" || Array(entry.when).intersect?(touched))
    end
  end
end
