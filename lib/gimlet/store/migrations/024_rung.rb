# frozen_string_literal: true

# What they said when they were rung, beside the day.
Sequel.migration do
  change do
    add_column :pumps, :rung_said, String, null: false, default: ""
  end
end
