# frozen_string_literal: true

require "minitest/autorun"
require "tmpdir"
require "zip"
require_relative "../../lib/gimlet/exchange/price_list"

# Price lists as shops have them.
class PriceListTest < Minitest::Test
  WANTED = [{ number: "Å-1", price_cents: 1250, on_hand: 3, pack: 1 }, { number: "B 2", price_cents: 123_450, on_hand: 0, pack: 6 }].freeze
  LINES = [%w[number price on_hand pack], ["Å-1", "12,50", "3", "1"], ["B 2", "1.234,50", "0", "6"]].freeze

  def read(bytes, name = "list.csv")
    Dir.mktmpdir do |folder|
      File.binwrite(path = File.join(folder, name), bytes)
      return Gimlet::Exchange::PriceList.read(path)
    end
  end

  def semicolons = LINES.map { |line| line.join(";") }.join("\r\n")

  # What spreadsheets write: with and without a mark, in UTF-8, UTF-16 and the Western code page, with semicolons, tabs and commas.
  def test_every_way_a_spreadsheet_saves_it
    { "UTF-8" => semicolons, "mark" => "\uFEFF#{semicolons}", "UTF-16LE" => "\uFEFF#{semicolons}".encode("UTF-16LE"),
      "UTF-16BE tabs" => "\uFEFF#{semicolons.tr(';', "\t")}".encode("UTF-16BE"), "code page" => semicolons.encode("Windows-1252"),
      "commas" => "number,price,on_hand,pack\nÅ-1,12.50,3,1\nB 2,\"1,234.50\",0,6\n",
      "own headings" => "Pack size;Article;Net price;In stock\n1;Å-1;€ 12,50;3\n6;B 2;1234,5 EUR;0\n;;;\n" }.each do |way, text|
      list = read(text.b)
      assert_equal [WANTED, []], [list.rows, list.refused], way
    end
  end

  SCHEMAS = "http://schemas.openxmlformats.org"
  HEAD = '<?xml version="1.0"?>'
  SHEET = %(#{HEAD}<worksheet xmlns="#{SCHEMAS}/spreadsheetml/2006/main"><sheetData>%s</sheetData></worksheet>).freeze
  RELATED = %(<Relationship Id="%s" Type="#{SCHEMAS}/officeDocument/2006/relationships/%s" Target="%s"/>).freeze

  BOOK = <<~XML.chomp.freeze
    <workbook xmlns="#{SCHEMAS}/spreadsheetml/2006/main" xmlns:r="#{SCHEMAS}/officeDocument/2006/relationships">
    <sheets><sheet name="a" sheetId="1" r:id="rId1"/></sheets></workbook>
  XML
  STYLES = %(<styleSheet xmlns="#{SCHEMAS}/spreadsheetml/2006/main"><cellXfs count="1"><xf numFmtId="0"/></cellXfs></styleSheet>).freeze

  def relations(*rows)
    %(#{HEAD}<Relationships xmlns="#{SCHEMAS}/package/2006/relationships">#{rows.map { |row| format(RELATED, *row) }.join}</Relationships>)
  end

  def parts
    { "_rels/.rels" => relations(%w[rId1 officeDocument xl/workbook.xml]),
      "xl/workbook.xml" => HEAD + BOOK,
      "xl/_rels/workbook.xml.rels" => relations(%w[rId1 worksheet worksheets/sheet1.xml], %w[rId2 styles styles.xml]),
      "xl/styles.xml" => HEAD + STYLES }
  end

  def cell(value, place)
    value.is_a?(Numeric) ? %(<c r="#{place}"><v>#{value}</v></c>) : %(<c r="#{place}" t="inlineStr"><is><t>#{value}</t></is></c>)
  end

  def workbook(lines)
    rows = lines.each.with_index(1).map do |line, row|
      %(<row r="#{row}">#{line.each_with_index.map { |value, at| cell(value, "#{%w[A B C D][at]}#{row}") }.join}</row>)
    end
    Zip::OutputStream.write_buffer do |zip|
      parts.merge("xl/worksheets/sheet1.xml" => format(SHEET, rows.join)).each { |name, text| zip.put_next_entry(name) && zip.write(text) }
    end.string
  end

  # By ECMA-376, the parts of a smallest workbook (from memory).
  def test_a_workbook
    list = read(workbook([%w[number price on_hand pack], ["Å-1", 12.5, 3, 1], ["B 2", 1234.5, 0, 6], ["C", "later", 1, 1]]), "list.xlsx")
    assert_equal [WANTED, ["line 4 (C): its price “later” cannot be read as a price: type it as 12.50 or 12,50."]], [list.rows, list.refused]
    error = assert_raises(Gimlet::Core::InputError) { read("PK\x03\x04junk".b, "list.xlsx") }
    assert_match(/cannot be read as a spreadsheet/, error.message)
  end

  def sheet(rows, before = "")
    book = parts.merge("xl/worksheets/sheet1.xml" => "#{HEAD}#{before}<worksheet><sheetData>#{rows}</sheetData></worksheet>")
    Zip::OutputStream.write_buffer { |zip| book.each { |name, text| zip.put_next_entry(name) && zip.write(text) } }.string
  end

  def row(number, cells) = %(<row r="#{number}">#{cells.map { |place, value| cell(value, "#{place}#{number}") }.join}</row>)

  # A stray cell in the last corner of a sheet once kept the shop from answering for over a minute.
  def test_a_cell_far_out_is_nobody_s_price
    list = read(sheet(row(1, { A: "number", B: "price" }) + row(2, { A: "A-1", B: 5, XFD: "x" }) + row(1_048_576, { XFD: "x" })))
    assert_equal [[{ number: "A-1", price_cents: 500, on_hand: nil, pack: 1 }], []], [list.rows, list.refused]
    far = row(1, { A: "number", B: "price" }) + row(1_048_577, { A: "A-1", B: 5 })
    assert_match(/below row 1048576/, assert_raises(Gimlet::Core::InputError) { read(sheet(far)) }.message)
  end

  # Exports write words without a table of them, and do not say how large the sheet is: the lines below the last number were lost.
  def test_lines_of_words_only
    lines = row(1, { A: "number", B: "price" }) + row(2, { A: "A-1", B: 5 }) + row(3, { A: "A-2", B: "6,50" }) + row(7, { A: "A-3", B: "7,50" })
    assert_equal([["A-1", 500], ["A-2", 650], ["A-3", 750]], read(sheet(lines)).rows.map { |line| line.values_at(:number, :price_cents) })
    words = row(1, { A: "number", B: "price" }) + row(2, { A: "A-2", B: "6,50" })
    assert_equal([650], read(sheet(words)).rows.map { |line| line[:price_cents] })
    lying = row(999_999_999_999, { A: "number", B: "price" })
    assert_match(/below row/, assert_raises(Gimlet::Core::InputError) { read(sheet(lying)) }.message)
  end

  # Entities that stand for entities ("billion laughs"): none is known.
  def test_entities_stand_for_nothing
    bomb = %(<!DOCTYPE x [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]>)
    list = read(sheet(row(1, { A: "number", B: "price" }) + row(2, { A: "&b;", B: 5 }), bomb))
    assert_equal(["&b;"], list.rows.map { |line| line[:number] })
  end

  def test_a_list_of_too_many_lines
    error = assert_raises(Gimlet::Core::InputError) { read("number,price\n#{"A,1\n" * 100_000}") }
    assert_equal "The list has more than 100000 lines: split it.", error.message
  end

  REFUSED = { "A;1,234;1;1" => /cannot be read/, "A;1.234;1;1" => /cannot be read/, "A;-5;1;1" => /below zero/, "A;0;1;1" => /price is nothing/,
              "A;5;100000000000000000000;1" => /on_hand .* beyond any here/, "A;5;1e20;1" => /cannot be read/, "A;5;1,5;1" => /no whole number/,
              "A;5;1;0" => /at least 1/, ";5;1;1" => /no number/, "A;;1;1" => /no price/, "A;NaN;1;1" => /cannot be read/,
              "#{'A' * 50};5;1;1" => /longer than 40/, "A;=1+1;1;1" => /cannot be read/,
              "A\0B;5;1;1" => /no text/, "A\tB;5;1;1" => /no text/ }.freeze

  def test_what_cannot_be_meant_is_refused_line_by_line
    REFUSED.each do |line, why|
      list = read("number;price;on_hand;pack\nB;2,50;1;1\n#{line}\n")
      assert_equal [1, 1], [list.rows.size, list.refused.size], line
      assert_match(/\Aline 3.*#{why}/, list.refused.first)
    end
    twice = read("number;price\nA;1\nB;2\nA;3\n")
    assert_equal [%w[B], ["A stands in more than one line: which one counts?"]], [twice.rows.map { |row| row[:number] }, twice.refused]
  end

  def test_what_is_no_list
    ["", "a;b\n1;2\n", "number\nA\n"].each { |text| assert_equal "headings", assert_raises(Gimlet::Core::InputError) { read(text) }.field }
    assert_raises(Gimlet::Core::InputError) { Gimlet::Exchange::PriceList.read("/nowhere.csv") }
  end
end
