# frozen_string_literal: true

# Wrong guesses are counted by name, address and till, not with the person; tills are known again; an order's changes are numbered.
Sequel.migration do
  up do
    create_table(:sign_in_attempts) do
      String :counted, primary_key: true
      Integer :failures, null: false
      DateTime :last_at, null: false
      DateTime :locked_until
    end

    create_table(:tills) do
      String :digest, null: false
      foreign_key :person_id, :people, null: false, on_delete: :cascade
      DateTime :at, null: false
      primary_key %i[digest person_id]
    end

    # Sessions of before do not say when they began.
    drop_table(:sessions)
    create_table(:sessions) do
      String :digest, primary_key: true
      foreign_key :person_id, :people, null: false, on_delete: :cascade
      DateTime :began_at, null: false
    end

    alter_table(:people) do
      drop_column :failures
      drop_column :locked_until
    end

    alter_table(:orders) { add_column :revision, Integer, null: false, default: 1 }
    from(:orders).update(revision: Sequel[:version])
  end
end
