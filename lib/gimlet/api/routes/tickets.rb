# frozen_string_literal: true

module Gimlet
  module API
    module Routes
      # Live jobs.
      module Tickets
        # Wide enough for any ticket, narrow enough for SQLite.
        ID = %r{/api/tickets/(\d{1,15})}

        def self.registered(app)
          app.get("/api/tickets") { answer(tickets.open) }
          app.post("/api/tickets") { answer(tickets.create(body_as("NewTicket")["state"]), 201) }
          app.get(ID) { |id| answer(tickets.find(id.to_i) || missing("There is no ticket #{id}.")) }

          app.put(ID) do |id|
            body = body_as("TicketUpdate")
            saved = tickets.update(id.to_i, version: body["version"], state: body["state"])
            answer(saved || missing("There is no ticket #{id}."))
          end
        end
      end
    end
  end
end
