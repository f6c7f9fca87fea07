# frozen_string_literal: true

# Pictures that callers send, kept with their ticket.
Sequel.migration do
  up do
    create_table(:photos) do
      primary_key :id
      foreign_key :ticket_id, :tickets, null: false
      DateTime :at, null: false
      String :who, null: false
      File :jpeg, null: false
      String :digest, null: false
      unique %i[ticket_id digest]
    end
  end
end
