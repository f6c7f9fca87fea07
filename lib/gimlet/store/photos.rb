# frozen_string_literal: true

require "digest"
require "sequel"
require_relative "clock"

module Gimlet
  module Store
    # Pictures of a pump or an old part, kept with the ticket.
    #
    #   Photos.new(database).of(7).first # => {id: 3, at: ..., who: "Ines"}
    class Photos
      # On one ticket.
      MOST = 12

      # @param database [Sequel::Database]
      def initialize(database)
        @rows = database[:photos]
      end

      # The same picture twice is kept once.
      # @param jpeg [String] bytes
      # @return [Integer] its id
      def add(ticket_id, jpeg, who:)
        digest = Digest::SHA256.hexdigest(jpeg)
        @rows.insert_conflict.insert(ticket_id: ticket_id, at: Clock.now, who: who, jpeg: Sequel.blob(jpeg), digest: digest)
        @rows.where(ticket_id: ticket_id, digest: digest).get(:id)
      end

      # @return [Array<Hash>] id, at, who; the first first
      def of(ticket_id) = @rows.where(ticket_id: ticket_id).order(:id).select(:id, :at, :who).all

      # @return [String, nil] its bytes
      def jpeg(id) = @rows.where(id: id).get(:jpeg)

      # @return [Boolean] whether there was one
      def remove(id) = @rows.where(id: id).delete.positive?
    end
  end
end
