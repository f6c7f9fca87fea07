# frozen_string_literal: true

# What was asked for with a key, so that the same again counts once; and which revision of a series stands again where one was taken back;
# and what tills are known by.
Sequel.migration do
  up do
    create_table(:acts) do
      String :key, primary_key: true
      String :operation, null: false
      # Of all that was asked for, so that another wish under the same key is known.
      String :digest, null: false
      String :who, null: false
      DateTime :at, null: false
      # What came of it, as JSON: an id, or nothing.
      String :result, text: true, null: false
    end

    alter_table(:series_revisions) { add_column :restores, Integer }
    # When somebody last did something there, and where a till stands.
    alter_table(:sessions) { add_column :used_at, DateTime }
    alter_table(:tills) { add_column :address, String }
  end
end
