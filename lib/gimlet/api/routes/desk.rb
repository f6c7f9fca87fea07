# frozen_string_literal: true

require_relative "../../counter/days_work"

module Gimlet
  module API
    module Routes
      # What the day waits for.
      module Desk
        def self.registered(app)
          app.serve("today") do
            piles = Gimlet::Counter::DaysWork.new(**stores).call
            answer(piles: piles.map { |pile| { **pile.to_h, rows: pile.rows.map(&:to_h) } })
          end
        end
      end
    end
  end
end
