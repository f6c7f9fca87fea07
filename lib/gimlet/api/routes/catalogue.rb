# frozen_string_literal: true

module Gimlet
  module API
    module Routes
      # The series that are sold from.
      module Catalogue
        def self.summary(series)
          { id: series.id, name: series.name, maker: series.maker.name, construction: series.construction,
            manual: series.manual, models: series.models.map(&:designation) }
        end

        def self.registered(app)
          app.serve("catalogue") { render_json(newest.snapshot.series.map { |series| Catalogue.summary(series) }) }

          app.serve("series") do |series|
            render_json(catalogue.document(series) || missing("There is no series “#{series}” in the catalogue."))
          end
        end
      end
    end
  end
end
