# frozen_string_literal: true

# What a series was before, so that a change can be undone, and what is being written.
Sequel.migration do
  up do
    create_table(:series_revisions) do
      primary_key :id
      String :series_id, null: false
      Integer :number, null: false
      DateTime :at, null: false
      String :who, null: false
      String :note, text: true, null: false, default: ""
      # Nothing where the series was taken out.
      String :document, text: true
      String :digest
      unique %i[series_id number]
    end
    %w[UPDATE DELETE].each do |verb|
      run "CREATE TRIGGER series_revisions_no_#{verb.downcase} BEFORE #{verb} ON series_revisions " \
          "BEGIN SELECT RAISE(ABORT, 'what was published is not altered'); END"
    end
    from(:series).order(:id).each do |row|
      from(:series_revisions).insert(series_id: row[:id], number: 1, at: Time.now.utc, who: "before revisions were kept", document: row[:document],
                                     digest: row[:digest])
    end

    create_table(:drafts) do
      primary_key :id
      String :title, null: false
      # The series that it would take the place of, and what that was when the draft was begun.
      String :series_id
      String :based_on
      String :document, text: true, null: false
      Integer :version, null: false, default: 1
      String :who, null: false
      DateTime :created_at, null: false
      DateTime :changed_at, null: false
    end
  end
end
