# frozen_string_literal: true

# Pumps that were seen at the counter and are in no catalogue.
Sequel.migration do
  change do
    create_table(:sightings) do
      primary_key :id
      foreign_key :ticket_id, :tickets, null: false, unique: true
      String :readings, text: true, null: false
      DateTime :created_at, null: false
    end
  end
end
