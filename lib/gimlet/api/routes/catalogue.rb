# frozen_string_literal: true

module Gimlet
  module API
    module Routes
      # Series in and out, in the catalogue format.
      module Catalogue
        def self.summary(series)
          { id: series.id, name: series.name, maker: series.maker.name, construction: series.construction,
            manual: series.manual, models: series.models.map(&:designation) }
        end

        def self.registered(app)
          app.get("/api/catalogue") { answer(newest.snapshot.series.map { |series| Catalogue.summary(series) }) }

          app.post("/api/catalogue") do
            from_this_machine
            document = parsed_body
            warnings = import_catalogue.call({ "document" => document }, who: "this machine, by the web")
            answer({ id: document["series"]["id"], warnings: warnings.map { |one| "#{one.place}: #{one.text}" } }, 201)
          end

          app.get("/api/catalogue/:series") do |series|
            answer(catalogue.document(series) || missing("There is no series “#{series}” in the catalogue."))
          end
        end
      end
    end
  end
end
