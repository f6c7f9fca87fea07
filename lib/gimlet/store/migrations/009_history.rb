# frozen_string_literal: true

# What was done to the shop's data besides tickets and orders, and by whom; and what must never be altered.
Sequel.migration do
  up do
    create_table(:history) do
      primary_key :id
      DateTime :at, null: false
      String :who, null: false
      String :what, null: false
      String :detail, text: true, null: false
    end

    %i[history entries bench_entries order_versions].each do |table|
      %w[UPDATE DELETE].each do |verb|
        run "CREATE TRIGGER #{table}_no_#{verb.downcase} BEFORE #{verb} ON #{table} BEGIN SELECT RAISE(ABORT, 'what was noted is not altered'); END"
      end
    end
  end
end
