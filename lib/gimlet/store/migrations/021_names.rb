# frozen_string_literal: true

require_relative "../../core/desk/name"

# Names are one where they are folded alike, in every script: the database compares bytes. A customer that was merged or erased leaves the name free.
Sequel.migration do
  up do
    folded = Gimlet::Core::Desk::Name.method(:folded)
    # Two that were told apart by capitals alone stay two, the later one by its number.
    apart = lambda do |rows, id|
      rows.sort_by { |row| row[id] }.group_by { |row| folded.call(row[:name]) }.flat_map do |name, same|
        same.each_with_index.map { |row, at| row.merge(folded: at.zero? ? name : "#{name} #{row[id]}") }
      end
    end

    create_table(:customers_named) do
      primary_key :id
      String :name, null: false
      String :place, null: false, default: ""
      String :phone, null: false, default: ""
      String :email, null: false, default: ""
      String :note, text: true, null: false, default: ""
      Integer :merged_into
      DateTime :erased_at
      # Nothing where the name is given back.
      String :folded
      # Name, place, mail and phone, folded: what lists are searched by.
      String :words, text: true, null: false, default: ""
    end
    rows = from(:customers).all
    standing, gone = rows.partition { |row| row[:merged_into].nil? && row[:erased_at].nil? }
    (apart.call(standing, :id) + gone).each do |row|
      words = Gimlet::Core::Desk::Name.words(*row.values_at(:name, :place, :email), row[:phone].delete(" "))
      from(:customers_named).insert(**row, words: words)
    end
    drop_table(:customers)
    rename_table(:customers_named, :customers)
    add_index :customers, :folded, unique: true, name: :customers_named_once

    alter_table(:pumps) { add_column :words, String, text: true, null: false, default: "" }
    from(:pumps).each do |row|
      from(:pumps).where(id: row[:id]).update(words: Gimlet::Core::Desk::Name.words(*row.values_at(:designation, :serial, :plate, :stands)))
    end

    { people: :id, tokens: :digest }.each do |table, id|
      alter_table(table) { add_column :folded, String }
      apart.call(from(table).all, id).each { |row| from(table).where(id => row[id]).update(folded: row[:folded]) }
      add_index table, :folded, unique: true, name: :"#{table}_named_once"
    end
  end
end
