# frozen_string_literal: true

require_relative "../../present/preview"
require_relative "../../present/ticket_view"

module Gimlet
  module API
    module Routes
      # Live jobs: one request adds an entry and answers with the whole view.
      module Tickets
        def self.registered(app)
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
            etag([tickets.mark(id), reference.snapshot.version, stock.revision, orders.revision_of(id), OpenAPI::DIGEST].join("-"))
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
