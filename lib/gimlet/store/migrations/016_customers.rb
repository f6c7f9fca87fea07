# frozen_string_literal: true

# Customers with what is needed to ring them, each pump of theirs with where it stands, and tools that are lent by number.
Sequel.migration do
  up do
    alter_table(:customers) do
      add_column :phone, String, null: false, default: ""
      add_column :email, String, null: false, default: ""
      add_column :note, String, text: true, null: false, default: ""
      add_column :merged_into, Integer
      add_column :erased_at, DateTime
    end

    create_table(:pumps) do
      primary_key :id
      foreign_key :customer_id, :customers, null: false, on_delete: :cascade, index: true
      String :designation, null: false
      String :serial, null: false, default: ""
      String :plate, null: false, default: ""
      String :stands, null: false, default: ""
      Float :hours_per_week
      Integer :months
      String :due_by_hand
      # Worked out from the above and its orders; kept so that the list of what is due need not look at every pump.
      String :due_on
      String :rung_on
      String :ring_after
      String :note, text: true, null: false, default: ""
      TrueClass :gone, null: false, default: false
      index %i[gone due_on]
    end
    from(:pumps).insert(%i[customer_id designation], from(:customer_pumps).order(Sequel.lit("rowid")).select(:customer_id, :designation))
    drop_table(:customer_pumps)

    create_table(:tools) do
      String :tag, primary_key: true
      String :number, null: false, index: true
      String :name, null: false
      Integer :deposit_cents, null: false, default: 0
      String :shelf, null: false, default: ""
      String :condition, null: false, default: "good"
      TrueClass :gone, null: false, default: false
    end

    create_table(:loans) do
      primary_key :id
      foreign_key :tag, :tools, type: String, null: false
      foreign_key :order_id, :orders, null: false, index: true
      String :state, null: false
      String :until
      Integer :deposit_cents, null: false, default: 0
      DateTime :lent_at
      DateTime :back_at
      String :condition
      index %i[state until]
    end
    # A tool is with one order at a time.
    add_index :loans, :tag, unique: true, where: { state: %w[promised out] }, name: :loans_live

    alter_table(:orders) do
      add_column :pump_id, Integer
      add_column :handed_at, DateTime
      # Whom the papers name, also when the customer is erased: what was sold must stay on file.
      add_column :billed_to, String
      add_index :customer_id
      add_index :pump_id
    end
    from(:orders).exclude(customer_id: nil).update(billed_to: from(:customers).where(id: Sequel[:orders][:customer_id]).select(:name))
  end
end
