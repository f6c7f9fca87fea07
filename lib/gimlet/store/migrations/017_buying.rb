# frozen_string_literal: true

# What things cost before, and what is bought.
Sequel.migration do
  up do
    create_table(:price_changes) do
      primary_key :id
      DateTime :at, null: false
      String :who, null: false
      String :number, null: false
      Integer :was_cents
      Integer :now_cents, null: false
      index :number
    end
    %w[UPDATE DELETE].each do |verb|
      run "CREATE TRIGGER price_changes_no_#{verb.downcase} BEFORE #{verb} ON price_changes " \
          "BEGIN SELECT RAISE(ABORT, 'what was noted is not altered'); END"
    end

    create_table(:purchases) do
      primary_key :id
      String :key, null: false, unique: true
      String :state, null: false
      String :who, null: false
      DateTime :at, null: false
      String :supplier_ref
      String :expected_on
      # When the first of it came.
      DateTime :came_at
      String :note, text: true, null: false, default: ""
      index :state
    end

    create_table(:purchase_lines) do
      foreign_key :purchase_id, :purchases, null: false, on_delete: :cascade
      String :number, null: false, index: true
      Integer :quantity, null: false
      Integer :price_cents
      Integer :received, null: false, default: 0
      primary_key %i[purchase_id number]
      check { (quantity > 0) & (received >= 0) }
    end

    # Sales are summed by number over the last weeks.
    add_index :movements, %i[kind at]
  end
end
