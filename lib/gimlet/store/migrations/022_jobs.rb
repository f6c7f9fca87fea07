# frozen_string_literal: true

# Several kinds of pump in one call: each is a ticket of its own, the others name the first.
Sequel.migration do
  change do
    alter_table(:tickets) do
      add_column :call_id, Integer
      add_index :call_id
    end
  end
end
