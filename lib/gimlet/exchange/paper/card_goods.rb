# frozen_string_literal: true

require_relative "parts_lines"
require_relative "sheet"

module Gimlet
  module Exchange
    module Paper
      # What lies on the bench before the work begins: parts and why they are there, tools, what is used up.
      class CardGoods
        # @param sheet [Sheet]
        # @param record [Hash] of an order, of the present version
        def initialize(sheet, record)
          @sheet = sheet
          @record = record
        end

        def draw
          parts
          tools
        end

        private

        def parts
          lines = PartsLines.new(@record)
          @sheet.heading "Parts: #{@record['parts']['plan']}"
          @sheet.table([["", "Qty", "Number", "Name", "Serves"], *lines.rows.map { |row| ["", *row] }], [18, 72, 86, 170, nil])
          @sheet.pdf.move_down 4
          lines.lacking.each { |text| @sheet.bullet(text, style: :bold) }
          lines.remarks.each { |text| @sheet.bullet(text) }
          lines.held.each { |text| @sheet.tick(text) }
        end

        def tools
          @sheet.heading "Tools and what is used up"
          @record["tools"].each { |one| @sheet.tick(about(one), strong: one["name"]) }
          @record["consumables"].each { |one| @sheet.tick(pack(one), strong: "#{one['amount']} #{one['unit']} #{one['name']}") }
        end

        # "PW-T11, lent: bring it back · head bolts M8 · makeshift: two long bolts"
        def about(tool)
          goes = { "lent" => "lent: bring it back", "sold" => "sold" }[tool["how"]]
          number = [tool["number"], goes, ("the customer's own" if tool["has"] && tool["kind"] != "torque wrench")].compact.join(", ")
          [(number unless number.empty?), tool["why"], tool["substitute"] && "makeshift: #{tool['substitute']}"].compact.join(" · ")
        end

        def pack(one) = one["packs"] ? "#{one['packs']} × #{one['number']}" : ""
      end
    end
  end
end
