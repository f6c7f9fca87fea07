# frozen_string_literal: true

# Stock is a ledger from here on: movements that are never altered, and sums of them that the database itself keeps, and keeps from going
# below zero. Orders have goods, a stage and steps.
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

    create_table(:stocked) do
      String :number, primary_key: true
      Integer :price_cents, null: false
      Integer :pack, null: false, default: 1
      Integer :on_hand, null: false, default: 0
      Integer :reserved, null: false, default: 0
      Integer :bagged, null: false, default: 0
      String :shelf, null: false, default: ""
      Integer :level
      # The last movement of it, so that only what moved is read again.
      Integer :moved, null: false, default: 0
      constraint(:priced) { (price_cents >= 0) & (pack > 0) }
      constraint(:on_the_shelf) { on_hand >= 0 }
      constraint(:promised) { (reserved >= 0) & (reserved <= on_hand) }
      constraint(:in_bags) { bagged >= 0 }
      index :moved
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

    run <<~SQL
      CREATE TRIGGER movements_sum AFTER INSERT ON movements BEGIN
        SELECT RAISE(ABORT, 'a movement of nothing on file') WHERE NOT EXISTS (SELECT 1 FROM stocked WHERE number = NEW.number);
        UPDATE stocked SET on_hand = on_hand + NEW.on_hand, reserved = reserved + NEW.reserved, bagged = bagged + NEW.bagged, moved = NEW.id
          WHERE number = NEW.number;
        UPDATE goods SET reserved = reserved + NEW.reserved, bagged = bagged + NEW.bagged, checked = checked + NEW.checked,
          handed = handed + NEW.handed, returned = returned + NEW.returned WHERE order_id = NEW.order_id AND number = NEW.number;
      END
    SQL
    from(:stocked).insert(%i[number price_cents pack], from(:stock).select(:number, :price_cents, :pack))
    from(:movements).insert(%i[at who kind number quantity on_hand why],
                            from(:stock).where { on_hand > 0 }
                                        .select(Time.now.utc, "counter", "counted", :number, :on_hand, :on_hand, "lay here before the ledger"))
    drop_table(:stock)
    rename_table(:stocked, :stock)

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
