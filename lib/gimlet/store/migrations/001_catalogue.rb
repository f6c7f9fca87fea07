# frozen_string_literal: true

# The document is what came in and goes out; the other tables hold what orders, stock and look-ups refer to.
Sequel.migration do
  change do
    create_table(:makers) do
      String :id, primary_key: true
      String :name, null: false
    end

    create_table(:series) do
      String :id, primary_key: true
      foreign_key :maker_id, :makers, type: String, null: false
      String :name, null: false
      String :construction, null: false
      String :document, text: true, null: false
      String :digest, null: false
    end

    create_table(:models) do
      String :designation, primary_key: true
      foreign_key :series_id, :series, type: String, null: false, on_delete: :cascade, index: true
    end

    create_table(:parts) do
      String :number, primary_key: true
      foreign_key :series_id, :series, type: String, null: false, on_delete: :cascade, index: true
      String :name, null: false
    end

    create_table(:kits) do
      String :number, primary_key: true
      foreign_key :series_id, :series, type: String, null: false, on_delete: :cascade, index: true
      String :name, null: false
    end

    create_table(:kit_contents) do
      foreign_key :kit_number, :kits, type: String, null: false, on_delete: :cascade
      foreign_key :part_number, :parts, type: String, null: false, on_delete: :cascade, index: true
      Integer :quantity, null: false
      primary_key %i[kit_number part_number]
      check { quantity > 0 }
    end
  end
end
