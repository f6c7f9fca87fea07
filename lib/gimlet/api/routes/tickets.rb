# frozen_string_literal: true

require_relative "../../present/preview"
require_relative "../../present/ticket_view"

module Gimlet
  module API
    module Routes
      # Live jobs: one request adds an entry and answers with the whole view.
      module Tickets
        # Wide enough for any ticket, narrow enough for SQLite.
        ID = %r{/api/tickets/(\d{1,15})}

        def self.registered(app)
          listing(app)
          looking(app)
          stepping(app)
        end

        def self.listing(app)
          app.get("/api/tickets") { answer(listed(tickets.page(state_asked, params["q"], page_asked), :tickets)) }
        end

        def self.looking(app)
          # What a fresh ticket looks like, before anything was said.
          app.get("/api/tickets/new") { answer(Present::TicketView.call(work_on(nil, []))) }

          app.get(ID) do |id|
            known_ticket(id.to_i)
            etag([tickets.mark(id.to_i), reference.snapshot.version, stock.revision, Contract::DIGEST].join("-"))
            answer(view(id.to_i))
          end

          # What would be heard of a line; nothing is kept.
          app.post("/api/preview") do
            body = body_as("PreviewRequest")
            answer(Present::Preview.new(reference.vocabulary).call(reference.ear.call(body["words"], asked: body["asked"])))
          end
        end

        def self.stepping(app)
          # A ticket gets its number with its first entry.
          app.post("/api/tickets") do
            body = body_as("NewEntry")
            id = database.transaction(mode: :immediate) { tickets.open(body["key"]).tap { |fresh| add_entry.call(fresh, body) } }
            answer(view(id), 201)
          end

          app.post(%r{#{ID}/entries}) do |id|
            body = body_as("NewEntry")
            known_ticket(id.to_i)
            add_entry.call(id.to_i, body)
            answer(view(id.to_i), 201)
          end
        end
      end
    end
  end
end
