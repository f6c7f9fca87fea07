# frozen_string_literal: true

module Gimlet
  module API
    module Routes
      # Series in and out, in the catalogue format.
      module Catalogue
        # Changes shown of a document; all of them are counted.
        SHOWN = 200

        def self.told(warnings) = warnings.map { |one| "#{one.place}: #{one.text}" }

        def self.summary(series)
          { id: series.id, name: series.name, maker: series.maker.name, construction: series.construction,
            manual: series.manual, models: series.models.map(&:designation) }
        end

        def self.registered(app)
          app.serve("catalogue") { answer(newest.snapshot.series.map { |series| Catalogue.summary(series) }) }

          app.serve("lookAtSeries") do
            look = import_catalogue.look({ "document" => parsed_body })
            id, changes = look.changes.first
            answer(id: id, mark: look.mark, warnings: Catalogue.told(look.warnings), changed: changes.size,
                   changes: changes.first(SHOWN).map(&:to_h))
          end

          app.serve("importSeries") do
            from_this_machine
            document = parsed_body
            warnings = import_catalogue.call({ "document" => document }, who: who_asks, mark: params["mark"])
            answer({ id: document["series"]["id"], warnings: Catalogue.told(warnings) }, 201)
          end

          app.serve("series") do |series|
            answer(catalogue.document(series) || missing("There is no series “#{series}” in the catalogue."))
          end
        end
      end
    end
  end
end
