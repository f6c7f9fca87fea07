# frozen_string_literal: true

require_relative "../../core/order/steps"
require_relative "../../counter/today_piles"
require_relative "../../counter/learn"
require_relative "../../exchange/weeks_csv"
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

          def learned_view(known) = Present::Learned.call(learn, Gimlet::Counter::Learn.learned(database), known)

          def figures_view(told)
            returns = Core::Order::Steps::TakeBack::REASONS.map { |id, name| { id: id, name: name, pieces: told.returns.fetch(id, 0) } }
            takings = told.takings
            { days: told.days, **told.sureness, minutes: told.minutes.map { |one| one.round(1) }, returns: returns, overdue: tools.count_overdue,
              stock: told.stock, best: takings.best.map(&:to_h),
              weeks: takings.weeks.map { |week| { **week.to_h, from: week.from.iso8601 } } }
          end
        end

        def self.registered(app)
          app.helpers Helpers
          app.serve("today") do
            piles = Gimlet::Counter::TodayPiles.new(sightings, **stores).call
            render_json(piles: piles.map { |pile| { **pile.to_h, rows: pile.rows.map(&:to_h) } })
          end

          app.serve("figuresTable") do
            content_type "text/csv", charset: "utf-8"
            headers "Content-Disposition" => %(attachment; filename="gimlet-weeks.csv")
            Exchange::WeeksCSV.write(Store::Figures.new(database).takings.weeks)
          end

          app.serve("figures") { render_json(figures_view(Store::Figures.new(database))) }
          learning(app)
        end

        def self.learning(app)
          app.serve("learning") { render_json(learned_view(reference)) }

          app.serve("switchLearning") do
            on = body_as("Learning")["on"]
            learn.switch(on)
            learn.call if on
            noted_as("learning", on: on)
            render_json(learned_view(newest))
          end
        end
      end
    end
  end
end
