# frozen_string_literal: true

# Hostile and huge files sent to a served demo while ten tills work: what a step takes beside them, and whether anything stops.
#
#   ruby bench/uploads.rb [files]
require "bundler/setup"
require "zip"
require_relative "support/served_demo"

FILES = Integer(ARGV.fetch(0, "100"))
TILLS = 10
PLATES = %w[TK4L20 TK4R20 DK420 HBL20 PG50L MGL40 SC325L GT2-25].freeze

# The smallest workbook of ECMA-376 (from memory), with a sheet of one's own.
module Sheets
  SCHEMAS = "http://schemas.openxmlformats.org"
  HEAD = '<?xml version="1.0"?>'
  RELATED = %(<Relationship Id="%s" Type="#{SCHEMAS}/officeDocument/2006/relationships/%s" Target="%s"/>).freeze
  RELATIONS = %(#{HEAD}<Relationships xmlns="#{SCHEMAS}/package/2006/relationships">%s</Relationships>).freeze
  PARTS = {
    "_rels/.rels" => format(RELATIONS, format(RELATED, "rId1", "officeDocument", "xl/workbook.xml")),
    "xl/_rels/workbook.xml.rels" => format(RELATIONS, format(RELATED, "rId1", "worksheet", "worksheets/sheet1.xml")),
    "xl/workbook.xml" => [%(#{HEAD}<workbook xmlns:r="#{SCHEMAS}/officeDocument/2006/relationships">),
                          %(<sheets><sheet name="a" sheetId="1" r:id="rId1"/></sheets></workbook>)].join,
    "xl/styles.xml" => %(#{HEAD}<styleSheet><cellXfs count="1"><xf numFmtId="0"/></cellXfs></styleSheet>)
  }.freeze

  def self.book(rows, before = "")
    Zip::OutputStream.write_buffer do |zip|
      PARTS.merge("xl/worksheets/sheet1.xml" => "#{HEAD}#{before}<worksheet><sheetData>#{rows}</sheetData></worksheet>").each do |name, text|
        zip.put_next_entry(name)
        zip.write(text)
      end
    end.string
  end

  def self.row(number, *cells)
    %(<row r="#{number}">#{cells.map { |place, text| %(<c r="#{place}" t="inlineStr"><is><t>#{text}</t></is></c>) }.join}</row>)
  end

  HEADINGS = row(1, %w[A1 number], %w[B1 price])
  LEVELS = (1..9).map { |at| format('<!ENTITY a%d "%s">', at, "&a#{at - 1 if at > 1};" * 10) }.freeze
  BOMB = %(<!DOCTYPE x [<!ENTITY a "aaaaaaaaaa">#{LEVELS.join}]>).freeze
  KINDS = {
    "a cell far out" => -> { book(HEADINGS + row(2, %w[A2 PW-K220], %w[B2 70.25]) + row(1_048_576, %w[XFD1048576 x])) },
    "entities" => -> { book(HEADINGS + row(2, %w[A2 &a9;], %w[B2 1]), BOMB) },
    "a row that lies" => -> { book(HEADINGS + row(999_999_999_999, %w[A2 A], %w[B2 1])) },
    "unpacks to 400 MB" => -> { book("<c>#{' ' * 400_000_000}</c>") },
    "30,000 lines" => -> { "number,price\n#{(1..30_000).map { |at| "N-#{at},#{at}.50\n" }.join}" },
    "500,000 lines" => -> { "number,price\n#{(1..500_000).map { |at| "N#{at},1\n" }.join}" },
    "one line of 9 MB" => -> { "number,price\n#{'x' * 9_000_000}" },
    "quotes" => -> { "number,price\n#{'"a"b",' * 500_000}" },
    "noise" => -> { Random.new(1).bytes(2_000_000) },
    "a document of 2.5 MB" => lambda {
      JSON.generate(format: "gimlet-catalogue", version: 2, maker: {}, series: { id: "x" }, models: [{ designation: "M" }] * 120_000)
    },
    "a deep document" => -> { "#{'[' * 200_000}#{']' * 200_000}" }
  }.freeze
end

def seconds
  start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  answer = yield
  [Process.clock_gettime(Process::CLOCK_MONOTONIC) - start, answer.code.to_i]
end

# A till says a line every half second, until it is told to stop.
def tills(demo, seed, stop)
  Array.new(TILLS) do |at|
    Thread.new do
      demo.connection do |http|
        (1..).lazy.take_while { !stop.call }.map do |number|
          sleep(0.5)
          words = "plate #{PLATES[(at + number) % PLATES.size]}, packings"
          seconds { demo.post(http, "/api/tickets", kind: "said", key: "#{seed} #{at} #{number}", words: words) }
        end.to_a
      end
    end
  end
end

def p95(times) = times.map(&:first).sort[(times.size * 0.95).floor] * 1000

def alone(demo, wait)
  ended = Process.clock_gettime(Process::CLOCK_MONOTONIC) + wait
  tills(demo, "alone #{wait}", -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) > ended }).flat_map(&:value)
end

def send_file(demo, http, kind, bytes)
  path = kind.include?("document") ? "/api/catalogue" : "/api/price-list"
  answer = demo.send_file(http, path, bytes)
  return answer.code unless answer.code == "201"

  id = JSON.parse(answer.body)["id"]
  loop do
    state = JSON.parse(demo.get(http, "/api/uploads/#{id}").body)
    break [state["state"], state.dig("problem", "code")].compact.join(" ") unless %w[waiting reading].include?(state["state"])

    sleep 0.2
  end
end

demo = ServedDemo.new(4694, role: "owner").start
files = Sheets::KINDS.transform_values(&:call)
alone(demo, 5)
quiet = alone(demo, 20)
# In a process of its own, so that the tills do not wait for one another here.
reader, writer = IO.pipe
sender = fork do
  told = Hash.new { |all, kind| all[kind] = Hash.new(0) }
  Array.new(4) do |at|
    Thread.new do
      demo.connection do |http|
        (at...FILES).step(4) do |number|
          kind = files.keys[number % files.size]
          told[kind][send_file(demo, http, kind, files[kind])] += 1
        end
      end
    end
  end.each(&:join)
  told.each { |kind, states| writer.puts "#{kind}: #{states.map { |state, count| "#{state} × #{count}" }.join(', ')}" }
end
writer.close
done = false
busy = tills(demo, "beside", -> { done })
puts reader.read
Process.wait(sender)
done = true
beside = busy.flat_map(&:value)
puts "steps: #{quiet.size} without, #{beside.size} beside the files; p95 #{p95(quiet).round} and #{p95(beside).round} ms: " \
     "#{(p95(beside) / p95(quiet)).round(2)} times; refused #{(quiet + beside).count { |_, status| status >= 400 }}; " \
     "resident #{demo.resident_kb / 1024} MB"
demo.kill
