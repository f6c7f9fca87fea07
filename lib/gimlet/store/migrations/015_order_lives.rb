# frozen_string_literal: true

# Orders have steps, and stand somewhere.
Sequel.migration do
  up do
    create_table(:order_steps) do
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
      index :at
    end
    %w[movements order_steps].each do |table|
      %w[UPDATE DELETE].each do |verb|
        run "CREATE TRIGGER #{table}_no_#{verb.downcase} BEFORE #{verb} ON #{table} BEGIN SELECT RAISE(ABORT, 'what was noted is not altered'); END"
      end
    end

    # Orders of before went their way without a ledger: they are closed, those that were cancelled stay so.
    alter_table(:orders) do
      add_column :stage, String, null: false, default: "closed"
      add_column :state, String, null: false, default: "closed"
      add_column :since, DateTime
      add_column :ordered_at, DateTime
      add_column :discount, String, null: false, default: "0"
      add_column :valid_until, String
      add_index %i[state since]
    end
    from(:orders).update(since: :created_at, ordered_at: :created_at)
    from(:orders).exclude(cancelled_at: nil).update(stage: "cancelled", state: "cancelled")
  end
end
