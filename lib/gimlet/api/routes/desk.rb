# frozen_string_literal: true

require_relative "../../core/order/steps"
require_relative "../../counter/days_work"
require_relative "../../counter/learn"
require_relative "../../present/learned"
require_relative "../../store/figures"

module Gimlet
  module API
    module Routes
      # What the day waits for.
      module Desk
        # What routes here need besides the application's own.
        module Helpers
          def learn = Gimlet::Counter::Learn.new(database, reference, orders: orders, tickets: tickets)
        end

        def self.registered(app)
          app.helpers Helpers
          app.serve("today") do
            piles = Gimlet::Counter::DaysWork.new(**stores).call
            answer(piles: piles.map { |pile| { **pile.to_h, rows: pile.rows.map(&:to_h) } })
          end

          app.serve("learning") { answer(Present::Learned.call(learn, Gimlet::Counter::Learn.learned(database), reference)) }
          app.serve("switchLearning") do
            on = body_as("Learning")["on"]
            learn.switch(on)
            learn.call if on
            Store::History.new(database).note("learning", { on: on }, who: who_asks)
            answer(Present::Learned.call(learn, Gimlet::Counter::Learn.learned(database), newest))
          end

          app.serve("figures") do
            told = Store::Figures.new(database)
            returns = Core::Order::Steps::TakeBack::REASONS.map { |id, name| { id: id, name: name, pieces: told.returns.fetch(id, 0) } }
            answer(days: told.days, **told.sureness, minutes: told.minutes.map { |one| one.round(1) }, returns: returns, overdue: tools.count_overdue, stock: told.stock)
          end
        end
      end
    end
  end
end
