# frozen_string_literal: true

# Stock is a ledger from here on: sums of movements that the database itself keeps, and keeps from going below zero.
Sequel.migration do
  up do
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
  end
end
