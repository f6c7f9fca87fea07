# frozen_string_literal: true

# Who works here, who is signed in, and which scripts may ask.
Sequel.migration do
  change do
    create_table(:people) do
      primary_key :id
      String :name, null: false, unique: true
      String :role, null: false
      String :secret, null: false
      Integer :failures, null: false, default: 0
      DateTime :locked_until
      TrueClass :active, null: false, default: true
    end

    create_table(:sessions) do
      String :digest, primary_key: true
      foreign_key :person_id, :people, null: false, on_delete: :cascade
      DateTime :expires_at, null: false
    end

    create_table(:tokens) do
      String :digest, primary_key: true
      String :name, null: false, unique: true
      String :role, null: false
    end
  end
end
