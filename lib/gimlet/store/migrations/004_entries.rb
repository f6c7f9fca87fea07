# frozen_string_literal: true

require "json"

# A ticket is a log of entries. What older tickets held as one state becomes the entries that lead to it.
Sequel.migration do
  up do
    create_table(:entries) do
      primary_key :id
      foreign_key :ticket_id, :tickets, null: false, on_delete: :cascade
      Integer :number, null: false
      String :kind, null: false
      String :body, text: true, null: false
      String :key, null: false
      String :who, null: false
      DateTime :at, null: false
      unique %i[ticket_id number]
      unique %i[ticket_id key]
    end

    create_table(:settings) do
      String :name, primary_key: true
      String :value, text: true, null: false
    end

    from(:tickets).each do |ticket|
      state = JSON.parse(ticket[:state])
      rows = [["channel", { channel: state["channel"] }], ["customer", { customer_id: state["customer_id"] }]]
      state["readings"].each do |row|
        rows << ["answered", { reading: row["reading"] }]
        rows << ["struck", { of: rows.size, item: nil }] if row["struck"]
      end
      rows << ["work", { areas: state["scope"], agreed: state["scope_agreed"], pumps: state["pumps"] }]
      rows << ["pump", { id: [state["model"], state["serial"]].compact.join(" ") }] if state["model"]
      rows += [["plan", { policy: state["policy"] }], ["unit", { unit: state["units"] }]]
      rows += state["findings"].map { |slot| ["inspected", { slot: slot, worn: true }] }
      order = from(:orders).where(ticket_id: ticket[:id]).get(:id)
      rows << ["ordered", { order_id: order, reason: nil }] if order
      from(:entries).multi_insert(rows.each_with_index.map do |(kind, body), at|
        { ticket_id: ticket[:id], number: at + 1, kind: kind, body: JSON.generate(body), key: "old #{at}", who: "counter",
          at: ticket[:updated_at] }
      end)
    end

    alter_table(:tickets) do
      add_column :key, String
      drop_column :state
      drop_column :version
      add_index :key, unique: true
    end
  end
end
