# frozen_string_literal: true

require "json"
require_relative "../core/input_error"
require_relative "../core/value"
require_relative "clock"

module Gimlet
  module Store
    # Catalogue documents that are being written.
    #
    #   drafts.begin("FX", document, who: "Adela").version # => 1
    class Drafts
      # `series_id` is the series that it would take the place of, `based_on` the digest of that when it was begun; nil for a new one.
      Draft = Core::Value.of(:id, :title, :series_id, :based_on, :document, :version, :who, :created_at, :changed_at)

      # @param database [Sequel::Database]
      def initialize(database)
        @database = database
        @rows = database[:drafts]
      end

      # @return [Array<Hash>] id, title, series_id, who, changed_at: the last first
      def all = @rows.reverse(:changed_at).select(:id, :title, :series_id, :who, :changed_at).all

      # @return [Draft, nil]
      def find(id) = @rows.where(id: id).first&.then { |row| Draft.new(**row, document: JSON.parse(row[:document])) }

      # @param document [Hash]
      # @return [Draft]
      def begin(title, document, who:, series_id: nil, based_on: nil, now: Clock.now)
        find(@rows.insert(title: title, document: JSON.generate(document), who: who, series_id: series_id, based_on: based_on, created_at: now,
                          changed_at: now))
      end

      # @param version [Integer] that was changed
      # @return [Draft]
      # @raise [Core::InputError] somebody else changed it meanwhile
      def change(id, version, document, who:, title:, now: Clock.now)
        fresh = { document: JSON.generate(document), version: version + 1, who: who, title: title, changed_at: now }
        changed = @rows.where(id: id, version: version).update(fresh)
        changed == 1 || Core::InputError.reject("version", "changed", "Somebody else has changed this draft: look at it again, then do it again.")
        find(id)
      end

      # @return [Boolean] whether it was there
      def give_up(id) = @rows.where(id: id).delete.positive?
    end
  end
end
