# frozen_string_literal: true

require "digest"
require_relative "../../counter/another_job"
require_relative "../../present/preview"
require_relative "../../present/ticket_view"

module Gimlet
  module API
    module Routes
      # Live jobs: one request adds an entry and answers with the whole view.
      module Tickets
        # What routes here need besides the application's own.
        module Helpers
          # @return [String] another where the view of the ticket may be another
          def mark_of(id)
            jobs = tickets.of_call(id).map { |job| "#{tickets.mark(job)}-#{orders.revision_of(job)}" }
            Digest::SHA256.hexdigest([*jobs, reference.snapshot.version, stock.revision, terms.mark, OpenAPI::DIGEST].inspect)
          end
        end

        def self.registered(app)
          app.helpers Helpers
          listing(app)
          looking(app)
          stepping(app)
        end

        def self.listing(app)
          app.serve("openTickets") { render_json(listed(tickets.page(state_asked, params["q"], page_asked), :tickets)) }
        end

        def self.looking(app)
          # What a fresh ticket looks like, before anything was said.
          app.serve("freshTicket") { render_json(Present::TicketView.call(work_on(nil, []), terms)) }

          app.serve("ticket") do |id|
            known_ticket(id)
            etag(mark_of(id))
            render_json(view(id))
          end

          # What would be heard of a line; nothing is kept.
          app.serve("preview") do
            body = body_as("PreviewRequest")
            entries = body["ticket_id"] ? tickets.entries(known_ticket(body["ticket_id"]) && body["ticket_id"]) : []
            render_json(Present::Preview.new(reference.vocabulary, reference.diagnosis).call(known(entries).hear(body["words"], body["asked"])))
          end
        end

        def self.stepping(app)
          # A ticket gets its number with its first entry.
          app.serve("openTicket") do
            body = body_as("NewEntry")
            id = once(body) { tickets.open(body["key"]).tap { |fresh| add_entry.call(fresh, body) } }
            render_json(view(id), 201)
          end

          app.serve("anotherJob") do |id|
            known_ticket(id)
            body = body_as("Again")
            job = once(body) { Gimlet::Counter::AnotherJob.new(add_entry, tickets).call(id, key: body["key"], who: body["who"] || "counter") }
            render_json(view(job), 201)
          end

          app.serve("addEntry") do |id|
            body = body_as("NewEntry")
            known_ticket(id)
            once(body) { add_entry.call(id, body) && nil }
            render_json(view(id), 201)
          end
        end
      end
    end
  end
end
