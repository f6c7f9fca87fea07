# frozen_string_literal: true

require_relative "../../core/1_catalogue/snapshot"
require_relative "../../counter/paste_table"
require_relative "../../counter/practise_draft"
require_relative "../../counter/since_order"
require_relative "../../counter/touched_by_change"
require_relative "../../counter/write_series"
require_relative "../../exchange/catalogue_format"
require_relative "../../exchange/catalogue_table"
require_relative "../../present/draft"
require_relative "../../present/identification"
require_relative "../../store/drafts"

module Gimlet
  module API
    module Routes
      # Writing series: drafts, what they would change, trying them, publishing, taking back.
      module Drafts
        # What routes here need besides the application's own.
        module Helpers
          def drafts = @drafts ||= Store::Drafts.new(database)
          def write_series = Gimlet::Counter::WriteSeries.new(drafts, catalogue, references.vocabulary, who: who_asks)

          # @return [Integer]
          def begun(body)
            seen = body["sighting"] && sightings.find(body["sighting"])
            once(body) { write_series.begin(body, sighting: seen).draft.id }
          end

          def told_draft(state) = Present::Draft.call(state)
          def numbered(id) = drafts.find(id) ? id : missing("There is no draft #{id} any more: it was published or given up.")

          # @return [Gimlet::Counter::LookUp] of the draft alone
          def draft_look_up(state)
            Gimlet::Counter::LookUp.new(Core::Catalogue::Snapshot.new([state.series], version: "draft"), stock.all, reference.tables)
          end

          def draft_page(id)
            state = write_series.sound(numbered(id))
            look = draft_look_up(state)
            remarks = state.remarks.map { |one| Present::Lookup::FoundRemark.call(one, state.series.id) }
            health = Present::Lookup::SeriesPage.health(Core::Lookup::SeriesHealth.of(state.series, state.remarks), remarks)
            page = look.series(state.series.id, params["model"])
            Present::Lookup::SeriesPage.new(look.snapshot, reference.vocabulary, stock.all).call(page, health)
          end

          def practise(id, request)
            practice = Gimlet::Counter::PractiseDraft.new(reference, references.vocabulary, customers)
            practice.call(write_series.sound(numbered(id)), request.transform_keys(&:to_sym))
          end

          def touched(effects)
            pump_of = ->(ticket) { work_on(ticket, tickets.entries(ticket)).pump }
            Gimlet::Counter::TouchedByChange.new(orders: orders, pumps: pumps, tickets: tickets, pump_of: pump_of).call(effects)
          end

          def since_order(order)
            since = Gimlet::Counter::SinceOrder.new(catalogue).call(order)
            told = since ? since.to_h : { series: nil, revision: nil, newest: nil, effects: [] }
            told.merge(effects: told[:effects].map { |one| Present::Draft.effect(one) })
          end

          def draft_table(id, list, lines, told = {})
            Present::Draft.table(Gimlet::Counter::PasteTable.new(shop.settings).call(drafts.find(numbered(id)).document, list, lines, told))
          end
        end

        def self.registered(app)
          app.helpers Helpers
          writing(app)
          trying(app)
          publishing(app)
        end

        def self.writing(app)
          app.serve("catalogueFormat") { render_json(Exchange::CatalogueFormat::DOCUMENT) }
          app.serve("drafts") { render_json(drafts.all) }

          app.serve("beginDraft") do
            from_this_machine
            render_json(told_draft(write_series.find(begun(body_as("NewDraft")))), 201)
          end

          app.serve("draft") { |id| render_json(told_draft(write_series.find(numbered(id)))) }

          app.serve("editDraft") do |id|
            from_this_machine
            body = body_as("DraftEdits")
            render_json(told_draft(write_series.edit(numbered(id), body["version"], body["edits"])))
          end
        end

        def self.trying(app)
          app.serve("draftTable") do |id|
            body = body_as("DraftTableRequest")
            render_json(draft_table(id, body["list"], Exchange::CatalogueTable.lines(body["text"]), body["columns"] || {}))
          end

          app.serve("draftPage") { |id| render_json(draft_page(id)) }
          app.serve("practise") { |id| render_json(Present::Identification.call(practise(id, body_as("IdentifyRequest")))) }

          app.serve("draftEffects") do |id|
            effects = write_series.effects(numbered(id))
            render_json(effects: effects.map { |one| Present::Draft.effect(one) }, touched: touched(effects).map(&:to_h))
          end
        end

        def self.publishing(app)
          app.serve("publishDraft") do |id|
            from_this_machine
            body = body_as("PublishDraft")
            render_json(series: once(body) { write_series.publish(numbered(id), body["version"], body["note"] || "") })
          end

          app.serve("giveUpDraft") do |id|
            from_this_machine
            body_as("Nothing")
            drafts.give_up(numbered(id))
            render_json({})
          end

          standing_again(app)
        end

        # What was published before.
        def self.standing_again(app)
          app.serve("revisions") { |series| render_json(catalogue.revisions(series)) }
          app.serve("sinceOrder") { |id| render_json(since_order(known_order(id))) }

          app.serve("undoRevision") do |series|
            from_this_machine
            body = body_as("UndoRevision")
            render_json(number: once(body) { write_series.take_back(series, body["number"]) })
          end

          app.serve("bringBackRevision") do |series|
            from_this_machine
            body = body_as("UndoRevision")
            render_json(number: once(body) { write_series.bring_back(series, body["number"]) })
          end
        end
      end
    end
  end
end
