# frozen_string_literal: true

require_relative "../core/1_catalogue/build"
require_relative "../core/drafting/effects"
require_relative "../core/value"

module Gimlet
  module Counter
    # Which revision of its series an order was made on, and what it would say otherwise today.
    #
    #   SinceOrder.new(catalogue).call(order).effects # => [Core::Drafting::Effect, ...]
    class SinceOrder
      # `revision` is its number, nil where none was kept; `newest` the number on file, nil where the series is gone.
      Since = Core::Value.of(:series, :revision, :newest, :effects)

      # @param catalogue [Store::Catalogue]
      def initialize(catalogue)
        @catalogue = catalogue
      end

      # @param order [Core::Order]
      # @return [Since, nil] nil where its series was never on file by that name
      def call(order)
        pump = order.record["pump"]
        id = @catalogue.series_called(pump["maker"], pump["series"]) or return
        revisions = @catalogue.revisions(id)
        then_ = revisions.find { |one| one[:at] <= made(order) }
        newest = revisions.first
        on_file = newest[:number] if newest && newest[:digest]
        Since.new(series: id, revision: then_&.fetch(:number), newest: on_file, effects: effects(id, then_, newest, order))
      end

      private

      # An amended order stands on what was on file when it was amended.
      def made(order) = [order.created_at, *order.versions.map { |one| one[:created_at] }].max

      def effects(id, was, now, order)
        return [] if was.nil? || was[:digest] == now[:digest]

        before, after = [was, now].map { |one| @catalogue.revision(id, one[:number])&.then { |document| Core::Catalogue::Build.call(document) } }
        pump = [order.record["pump"]["model"], order.record["pump"]["serials"]].compact.join(" ")
        areas = order.record["work"]["areas"].map { |area| area["id"] }
        told = Core::Drafting::Effects.of(before, after).select { |one| one.pumps.include?(pump) && one.kind != "trait" }
        told.select { |one| one.areas.empty? || one.areas.intersect?(areas) }
      end
    end
  end
end
