# frozen_string_literal: true

require_relative "kinds/also"
require_relative "kinds/answered"
require_relative "kinds/channel"
require_relative "kinds/checked"
require_relative "kinds/closed"
require_relative "kinds/customer"
require_relative "kinds/entered"
require_relative "kinds/extension"
require_relative "kinds/extent"
require_relative "kinds/fixed"
require_relative "kinds/had"
require_relative "kinds/handed"
require_relative "kinds/hazard_lifted"
require_relative "kinds/hazard_raised"
require_relative "kinds/inspected"
require_relative "kinds/measured"
require_relative "kinds/not_sure"
require_relative "kinds/ordered"
require_relative "kinds/owns"
require_relative "kinds/picked"
require_relative "kinds/plan"
require_relative "kinds/pump"
require_relative "kinds/reopened"
require_relative "kinds/restored"
require_relative "kinds/said"
require_relative "kinds/settled"
require_relative "kinds/sighted"
require_relative "kinds/stop_told"
require_relative "kinds/struck"
require_relative "kinds/taken_up"
require_relative "kinds/unit"
require_relative "kinds/wanted"
require_relative "kinds/work"

module Gimlet::Core
  module Ticket
    # The kinds of entry: another one is another file in kinds/ and a line here.
    module Kinds
      ALL = constants.map { |name| const_get(name) }.sort_by(&:id).to_h { |kind| [kind.id, kind] }.freeze

      # What a ticket may have become.
      STATES = ALL.values.filter_map { |kind| kind::BECOMES }.uniq.freeze

      # @param id [String]
      # @return [Class] a Kind
      def self.of(id) = ALL.fetch(id)
    end
  end
end
