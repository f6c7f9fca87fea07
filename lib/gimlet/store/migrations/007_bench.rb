# frozen_string_literal: true

# What was done at the bench for an order: a log like a ticket's.
Sequel.migration do
  change do
    create_table(:bench_entries) do
      primary_key :id
      foreign_key :order_id, :orders, null: false, on_delete: :cascade
      Integer :number, null: false
      String :kind, null: false
      String :body, text: true, null: false
      String :key, null: false
      String :who, null: false
      DateTime :at, null: false
      unique %i[order_id number]
      unique %i[order_id key]
    end
  end
end
