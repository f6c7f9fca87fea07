# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  # What was agreed and kept. `record` is all of it as it was then (record.rb); `version` counts amendments from 1 and `versions` are the
  # earlier ones that can still be read; `revision` counts changes of any kind. What was only listed has no record. Where it stands is its
  # Life (life.rb).
  #
  #   Order.new(id: 3, version: 1, versions: [{ version: 1, created_at: at }]).superseded? # => true
  Order = Value.of(:id, :ticket_id, :customer_id, :customer, :created_at, :catalogue_version, :version, :revision, :versions, :cancelled_at,
                   :cancelled_because, :amended_because, :discount, :valid_until, :since, :record) do
    def cancelled? = !cancelled_at.nil?

    # @return [Boolean] whether it is one that was amended since
    def superseded? = versions.any? { |earlier| earlier[:version] == version }
  end
end
