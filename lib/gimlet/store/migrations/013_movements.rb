# frozen_string_literal: true

# What was moved where, never altered; and what each order wants.
Sequel.migration do
  up do
    create_table(:movements) do
      primary_key :id
      DateTime :at, null: false
      String :who, null: false
      String :kind, null: false
      String :number, null: false
      Integer :quantity, null: false
      Integer :order_id
      String :why, text: true
      %i[on_hand reserved bagged checked handed returned].each { |sum| Integer sum, null: false, default: 0 }
      index %i[number id]
      index :order_id
      index :at
    end

    # What an order wants of each number, and where its pieces are.
    create_table(:goods) do
      foreign_key :order_id, :orders, null: false, on_delete: :cascade
      String :number, null: false
      String :name, text: true, null: false
      Integer :wanted, null: false
      Integer :along, null: false, default: 0
      Integer :price_cents, null: false
      Integer :pack, null: false, default: 1
      %i[reserved bagged checked handed returned].each { |sum| Integer sum, null: false, default: 0 }
      primary_key %i[order_id number]
      index :number
      constraint(:whole) do
        (reserved >= 0) & (bagged >= 0) & (checked >= 0) & (checked <= bagged) & (returned >= 0) & (returned <= handed) &
          (Sequel[:reserved] + :bagged + :handed <= :wanted)
      end
    end
  end
end
