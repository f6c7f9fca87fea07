# frozen_string_literal: true

require "json"
require "time"

# A pump that is not on file is an entry of its ticket, with a day by which the caller hears: what was in a table of its own moves there.
Sequel.migration do
  up do
    from(:sightings).join(:tickets, id: :ticket_id).where(state: "open").select_all(:sightings).order(Sequel[:sightings][:id]).each do |row|
      said = from(:entries).where(ticket_id: row[:ticket_id])
      at = Time.parse(row[:created_at].to_s)
      from(:entries).insert(ticket_id: row[:ticket_id], number: said.max(:number).to_i + 1, kind: "sighted", who: "counter", at: row[:created_at],
                            key: "sighting #{row[:id]}", body: JSON.generate("due_on" => (at.to_date + 7).iso8601))
      from(:tickets).where(id: row[:ticket_id]).update(state: "sighted")
    end
    drop_table(:sightings)
  end
end
