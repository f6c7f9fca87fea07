# frozen_string_literal: true

require_relative "../core/7_tools/shared"

module Gimlet
  module Present
    # What the jobs of a call come to together.
    #
    #   Together.call(views, terms)[:price_cents]
    module Together
      module_function

      # @param views [Array<Counter::WorkOnTicket::View>]
      # @param terms [Core::Desk::Terms]
      # @return [Hash, nil] of the OpenAPI schema Together; nil where there is one job alone
      def call(views, terms)
        return if views.empty?

        plans = views.map { |view| view.planned&.workup }.compact
        lines = plans.flat_map { |one| one.plans.first.lines }
        cents = views.sum { |view| view.tray.price_cents }
        { price_cents: cents, gross_cents: views.sum { |view| terms.gross(view.tray.price_cents) },
          comes: terms.arrivals.together(lines.group_by(&:number).map { |number, same| [number, same.first.short_of(same.sum(&:quantity))] }),
          tools: Core::Tools::Shared.of(plans, own: own(views)).map(&:to_h) }
      end

      def own(views)
        ranges = views.flat_map { |view| view.ticket.owned.values }.select { |range| range["from"] }.uniq
        ranges.map { |range| Core::Tools::Wrench.customer(*range.values_at("from", "to", "unit", "mark")) }
      end
      private_class_method :own
    end
  end
end
