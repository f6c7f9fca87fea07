# frozen_string_literal: true

require "json"

# Orders and tickets are found by their words and shown by the page; an order may be amended, and keeps what it was.
Sequel.migration do
  up do
    alter_table(:orders) do
      add_column :version, Integer, null: false, default: 1
      add_column :cancelled_at, DateTime
      add_column :cancelled_because, String, text: true
      add_column :amended_because, String, text: true
    end

    # What lists show and are searched by, apart from the long documents.
    create_table(:order_list) do
      foreign_key :order_id, :orders, null: false, on_delete: :cascade, primary_key: true
      String :words, text: true, null: false
      String :summary, text: true, null: false
    end

    create_table(:order_versions) do
      foreign_key :order_id, :orders, null: false, on_delete: :cascade
      Integer :version, null: false
      String :document, text: true, null: false
      String :catalogue_version, null: false
      DateTime :created_at, null: false
      primary_key %i[order_id version]
    end

    alter_table(:tickets) do
      add_column :state, String, null: false, default: "open"
      add_column :words, String, text: true, null: false, default: ""
      add_index %i[state updated_at]
    end
    from(:tickets).where(id: from(:orders).select(:ticket_id)).update(state: "ordered")
    from(:entries).where(kind: "said").order(:number).each do |row|
      told = JSON.parse(row[:body])["words"].to_s.downcase
      from(:tickets).where(id: row[:ticket_id]).update(words: Sequel.join([:words, told, " "]))
    end
  end
end
