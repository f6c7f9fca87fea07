# frozen_string_literal: true

# The history is read a day at a time.
Sequel.migration do
  change do
    %i[history entries bench_entries].each { |table| add_index table, :at }
  end
end
