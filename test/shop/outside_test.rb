# frozen_string_literal: true

require_relative "../support/bad_supplier"
require_relative "../support/served"
require "zip"

# What comes from outside has a limit and a deadline as a whole: nobody at the counter waits for it, and nothing of it is a fault of ours.
class OutsideTest < Minitest::Test
  # Seconds that an empty request may take, nineteen times of twenty.
  P95_S = 0.2
  # Chosen for a machine that does four things at once.
  SLACK = 5

  def setup = @served = nil

  def teardown
    @supplier&.stop
    @served&.close
  end

  def served(**env) = @served ||= Served.new(env: env.transform_keys(&:to_s)).start

  def seconds = Process.clock_gettime(Process::CLOCK_MONOTONIC)

  # @return [Float] seconds within which nineteen of twenty empty requests were answered while the block was at work
  def waited(&)
    served
    at_work = Thread.new(&)
    times = []
    loop do
      began = seconds
      assert_equal 200, served.get("/api/session").status
      times << (seconds - began)
      # A till, not a flood: what is measured is not what measures.
      sleep 0.05
      break unless at_work.alive? || times.size < 20
    end
    at_work.value
    times.sort[(times.size * 0.95).floor.clamp(0, times.size - 1)]
  end

  def test_no_supplier_stops_the_shop
    @supplier = BadSupplier.new(:never)
    served(GIMLET_SUPPLIER: @supplier.address)
    BadSupplier::WAYS.each_key do |way|
      @supplier.way = way
      spent = waited do
        Array.new(4) do
          Thread.new do
            [served.get("/api/to-buy", role: "keeper"), served.post("/api/supplier", { numbers: ["PW-K220"] }, role: "keeper")]
          end
        end
             .flat_map(&:value).each { |answer| assert_equal 200, answer.status, "#{way}: #{answer.text[0, 300]}" }
      end
      assert_operator spent, :<, P95_S * SLACK, way
      told = served.post("/api/supplier", { numbers: ["PW-K220"] }, role: "keeper").json
      assert_match(/supplier/, told["problem"].to_s, way) unless way == :nothing
      assert_empty told["lines"]
    end
    assert_operator memory_mb, :<, 700
  end

  def memory_mb = File.read("/proc/#{served.pid}/status")[/VmRSS:\s+(\d+)/, 1].to_i / 1024

  # @return [String] what came back of a request that is written as it is
  def raw(head, pieces)
    socket = TCPSocket.new("127.0.0.1", served.port)
    socket.write(head)
    pieces.each { |piece| socket.write(piece) }
    socket.wait_readable(10)
    socket.readpartial(2000)
  rescue Errno::EPIPE, Errno::ECONNRESET, EOFError
    "closed"
  ensure
    socket&.close
  end

  # Neither by its length nor in chunks is much of it written down before anybody knows who sends it.
  def test_a_body_without_end_is_not_written_down
    head = "POST /api/price-list HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/octet-stream\r\n"
    assert_match(%r{\A(HTTP/1.1 413|closed)}, raw("#{head}Content-Length: 4294967296\r\n\r\n", ["x" * 100_000] * 50))
    chunk = "100000\r\n#{'x' * 1_048_576}\r\n"
    told = raw("#{head}Transfer-Encoding: chunked\r\n\r\n", [chunk] * 200)
    assert_match(%r{\A(HTTP/1.1 413|closed)}, told[0, 80])
    assert_equal 200, served.get("/api/session").status
  end

  def jpeg(segments, last = "\xFF\xDA\x00\x02picture\xFF\xD9".b) = "\xFF\xD8".b + ("\xFF\xE0\x00\x02".b * segments) + last

  def ticket = served.post("/api/tickets", { kind: "said", key: "t#{rand}", words: "8 bolts" }).json["id"]

  def test_pictures_hold_nobody
    id = ticket
    assert_operator waited { assert_equal 422, served.post("/api/tickets/#{id}/photos", jpeg(500_000)).status }, :<, P95_S * SLACK
    assert_equal 413, served.post("/api/tickets/#{id}/photos", "#{jpeg(1)}#{'x' * 2_100_000}").status
    assert_equal 201, served.post("/api/tickets/#{id}/photos", jpeg(3)).status
    ["", "\xFF\xD8", "\xFF\xD8\xFF\xDB\xFF\xFF", "PNG"].each { |bytes| assert_equal 422, served.post("/api/tickets/#{id}/photos", bytes.b).status }
  end

  def test_labels_and_cards_hold_nobody
    spent = waited do
      Array.new(3) do
        Thread.new do
          served.get("/api/shelf-labels.pdf")
        end
      end.map(&:value).each { |answer| assert_equal "application/pdf", answer.headers["content-type"] }
    end
    assert_operator spent, :<, P95_S * SLACK
  end

  # A sheet of one cell, without styles, as scripts write it.
  def bare_sheet
    Zip::OutputStream.write_buffer do |zip|
      zip.put_next_entry("[Content_Types].xml")
      zip.write('<?xml version="1.0"?><Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"/>')
      zip.put_next_entry("xl/workbook.xml")
      zip.write('<?xml version="1.0"?><workbook><sheets><sheet name="a" sheetId="1"/></sheets></workbook>')
      zip.put_next_entry("xl/worksheets/sheet1.xml")
      zip.write('<?xml version="1.0"?><worksheet><sheetData><row r="1"><c r="A1" t="inlineStr"><is><t>number</t></is></c></row>' \
                "</sheetData></worksheet>")
    end.string
  end

  FILES = { "utf-16 with its mark" => "\uFEFFnumber;price\nPW-K220;70,25\n".encode("UTF-16LE"),
            "utf-16 without" => "number;price\nPW-K220;70,25\n".encode("UTF-16LE"), "half a utf-16" => "\xFF\xFEn".b,
            "empty" => "", "a zip in a zip" => "PK\x03\x04PK\x03\x04".b, "nothing but marks" => "\xEF\xBB\xBF".b, "a quote" => '"' }.freeze

  # Each as a price list; those that are text also as a document.
  def test_files_that_are_none_are_told_so
    FILES.merge("a bare sheet" => bare_sheet).each do |name, bytes|
      ["/api/price-list", *("/api/catalogue" if name.start_with?("utf-16", "half"))].each do |path|
        upload = served.bring(path, bytes.b)
        next if upload["state"] == "taken"

        assert_equal "refused", upload["state"], "#{name}: #{upload}"
        refute_match(/internal/, upload.dig("problem", "code"), "#{name} to #{path}")
        refute_match(/undefined|nil|Error|NoMethod/, upload.dig("problem", "detail"), "#{name} to #{path}")
      end
    end
  end

  OPERATIONS = Gimlet::API::OpenAPI::DOCUMENT["paths"].flat_map do |path, item|
    item.slice("get", "post").map do |verb, row|
      [row["operationId"], verb, path, row.dig("requestBody", "content")&.keys&.first,
       row.fetch("requestBody", {}).fetch("content", {}).values.map { |one| one["example"] }.first]
    end
  end.freeze

  # As a new shop is, with nothing in it but a catalogue: whatever anybody asks for, with the document's own example, with nothing, and of
  # what is not there.
  def test_every_operation_by_every_role_in_a_shop_without_a_supplier
    served
    [nil, *Gimlet::Core::Roles::ALL].each do |role|
      OPERATIONS.each do |id, verb, path, media, example|
        next if %w[signOut backup].include?(id)

        # The owner may ask for everything: with nothing in it, and of what is not there, too.
        (role == "owner" ? [example, {}].uniq : [example]).each do |body|
          (role == "owner" ? %w[1 99] : %w[1]).each do |value|
            at = path.gsub(/\{\w+\}/, value)
            answer = if verb == "get"
                       served.get(at, role: role)
                     else
                       served.post(at, media == "application/octet-stream" ? "x" : body || {}, role: role)
                     end
            assert_operator answer.status, :<, 500, "#{id} by #{role || 'nobody'}: #{answer.status} #{answer.text[0, 200]}"
          end
        end
      end
    end
    refute_match(/NoMethodError|Sequel::|TypeError|KeyError/, served.told)
  end
end
