# frozen_string_literal: true

# Tools that a customer said to have; torque wrenches with their range.
Sequel.migration do
  change do
    create_table(:customer_tools) do
      foreign_key :customer_id, :customers, null: false, on_delete: :cascade
      String :name, null: false
      Float :from
      Float :to
      String :unit
      Float :mark
      primary_key %i[customer_id name]
    end
  end
end
