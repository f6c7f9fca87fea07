# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Catalogue
    # Somebody who read an entry of a document against the sheet: `who`, `on` (a date), `against` which sheet.
    Checked = Value.of(:who, :on, :against)

    # How often that was done.
    class Checked
      TIMES = { 1 => "read once", 2 => "read twice" }.freeze

      # @param rows [Array<Hash>, nil] as the document has them
      # @return [Array<Checked>]
      def self.from(rows) = (rows || []).map { |row| new(who: row["who"], on: row["on"], against: row["against"]) }

      # @param readings [Array<Checked>]
      # @return [String, nil] "read twice, last by Ines on 2026-05-02 against TK4 sheet 7"; the same person counts once
      def self.in_words(readings)
        last = readings.max_by(&:on) or return
        times = readings.map(&:who).uniq.size
        "#{TIMES.fetch(times) { "read #{times} times" }}, last by #{last.who} on #{last.on} against #{last.against}"
      end
    end
  end
end
