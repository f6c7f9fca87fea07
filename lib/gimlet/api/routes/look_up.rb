# frozen_string_literal: true

require_relative "../../core/doctor/doctor"
require_relative "../../core/lookup/series_health"
require_relative "../../counter/look_up"
require_relative "../../exchange/catalogue_csv"
require_relative "../../present/lookup/found_remark"
require_relative "../../present/lookup/kit_page"
require_relative "../../present/lookup/part_page"
require_relative "../../present/lookup/series_page"

module Gimlet
  module API
    module Routes
      # The catalogue as a place to look: search, parts, kits, series.
      module LookUp
        # What routes here need besides the application's own.
        module Helpers
          def look_up = @look_up ||= Gimlet::Counter::LookUp.new(reference.snapshot, stock.all, reference.tables)

          # What the doctor says of a series on file; worked out once for each catalogue.
          def findings(series)
            reference.field.recall(:results, [:doctor, series.id]) { Core::Doctor.call(series, reference.vocabulary, reference.tables) }
          end

          def series_health(series)
            found = findings(series)
            remarks = found.map { |one| Present::Lookup::FoundRemark.call(one, series.id) }
            Present::Lookup::SeriesPage.health(Core::Lookup::SeriesHealth.of(series, found), remarks)
          end

          def series_page(id, model)
            page = look_up.series(id, model) || missing("There is no series “#{id}” in the catalogue.")
            Present::Lookup::SeriesPage.new(reference.snapshot, reference.vocabulary, stock.all).call(page, series_health(page.series))
          end

          def found(entries)
            prices = stock.all
            shown = entries.first(Gimlet::Counter::LookUp::SHOWN)
            { total: entries.size, found: shown.map { |one| Present::Lookup::Shown.entry(one, prices) } }
          end

          def unsourced
            reference.snapshot.series.map { |series| Present::Lookup::SeriesPage.unsourced(series, Core::Lookup::SeriesHealth.of(series, [])) }
          end

          def series_table(id, list)
            document = catalogue.document(id) || missing("There is no series “#{id}” in the catalogue.")
            lists = Exchange::CatalogueCSV::LISTS
            lists.include?(list) || Core::InputError.reject("list", "bad_list", "A table has one of #{lists.join(', ')}.")
            content_type "text/csv", charset: "utf-8"
            headers "Content-Disposition" => %(attachment; filename="#{id}-#{list}.csv")
            stream { |out| Exchange::CatalogueCSV.write(document, list, out) }
          end

          def part_page(number)
            used = look_up.part(number) || missing("There is no part #{number} in the catalogue.")
            Present::Lookup::PartPage.new(reference.snapshot, stock.all).call(used,
                                                                              @authorization.shown?(person,
                                                                                                    "orders") ? orders.with_number(number) : [])
          end
        end

        def self.registered(app)
          app.helpers Helpers
          app.serve("lookUp") { render_json(found(look_up.find(params["q"]))) }
          app.serve("unsourced") { render_json(unsourced.sort_by { |row| -row[:places].size }) }
          app.serve("part") { |number| render_json(part_page(number.strip)) }

          app.serve("kit") do |number|
            sheet = look_up.kit(number.strip) || missing("There is no kit #{number} in the catalogue.")
            render_json(Present::Lookup::KitPage.call(sheet, stock.all))
          end

          app.serve("seriesTable") { |id| series_table(id, params["list"]) }
          app.serve("seriesPage") { |id| render_json(series_page(id, params["model"])) }
        end
      end
    end
  end
end
