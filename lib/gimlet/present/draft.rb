# frozen_string_literal: true

require_relative "lookup/found_remark"

module Gimlet
  module Present
    # A draft as it is written: the document, what the format and the doctor say of it, what differs from what is on file.
    module Draft
      SHOWN = 60
      LONGEST = 160

      module_function

      # @param state [Counter::WriteSeries::DraftStatus]
      # @return [Hash] of the OpenAPI schema Draft
      def call(state)
        draft = state.draft
        said = { sound: !state.series.nil? && state.remarks.none?(&:error?), faults: state.faults.map { |text| fault(text) },
                 remarks: state.remarks.map { |one| remark(one, state) } }
        draft.to_h.slice(:id, :title, :series_id, :version, :who, :document, :changed_at)
             .merge(said, changed: state.changes.size, changes: state.changes.first(SHOWN).map { |one| change(one) })
      end

      # The list that a sentence of the format begins with.
      def fault(text) = { level: "error", place: text[/\A\S+/].to_s, list: text[/\A\w+/].to_s, text: text }

      def remark(remark, state) = Lookup::FoundRemark.call(remark, state.series.id)

      def change(change)
        was, is = [change.was, change.is].map { |text| text && text[0, LONGEST] }
        { place: change.place, was: was, is: is }
      end

      # @param effect [Core::Drafting::Effect]
      # @return [Hash] of the OpenAPI schema Effect
      def effect(effect) = { **effect.to_h, kind: effect.about }

      # @param table [Exchange::CatalogueTable]
      # @return [Hash] of the OpenAPI schema DraftTable
      def table(table)
        read = table.call
        { columns: read.columns.map(&:to_h), keys: table.keys, rows: read.rows.first(500).map { |row| row(row) }, edits: read.rows.flat_map(&:edits) }
      end

      def row(row)
        { name: row.name, known: row.known, changes: row.changes.map { |key, was, is| { key: key, was: was, is: is } } }
      end
    end
  end
end
