# frozen_string_literal: true

Sequel.migration do
  change do
    # A price list names more numbers than the catalogue knows: no foreign key.
    create_table(:stock) do
      String :number, primary_key: true
      Integer :price_cents, null: false
      Integer :on_hand, null: false, default: 0
      Integer :pack, null: false, default: 1
      check { (price_cents >= 0) & (on_hand >= 0) & (pack > 0) }
    end

    create_table(:customers) do
      primary_key :id
      String :name, null: false, unique: true
      String :place, null: false
    end

    create_table(:customer_pumps) do
      foreign_key :customer_id, :customers, null: false, on_delete: :cascade
      String :designation, null: false
      primary_key %i[customer_id designation]
    end

    create_table(:tickets) do
      primary_key :id
      Integer :version, null: false, default: 1
      String :state, text: true, null: false
      DateTime :created_at, null: false
      DateTime :updated_at, null: false
    end

    # One order for a ticket, however often it is saved.
    create_table(:orders) do
      primary_key :id
      foreign_key :ticket_id, :tickets, null: false, unique: true
      foreign_key :customer_id, :customers
      String :catalogue_version, null: false
      String :document, text: true, null: false
      DateTime :created_at, null: false
    end
  end
end
