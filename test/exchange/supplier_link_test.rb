# frozen_string_literal: true

require "json"
require "minitest/autorun"
require "socket"
require_relative "../../lib/gimlet/exchange/supplier_link"

# A supplier that answers whatever: each answer is used as it is meant, or told in one sentence; none is believed half.
class SupplierLinkTest < Minitest::Test
  Link = Gimlet::Exchange::SupplierLink

  # All of a request: closed before that, a connection counts as broken.
  def listen(client)
    size = 0
    while (line = client.gets) && line != "\r\n"
      size = line[/\d+/].to_i if line.match?(/\Acontent-length:/i)
    end
    client.read(size)
  end

  # @return [Object] what the block makes of a link to a supplier that answers so
  def answering(body, status: "200 OK", raw: nil)
    server = TCPServer.new("127.0.0.1", 0)
    thread = Thread.new do
      loop do
        client = server.accept
        listen(client)
        client.write(raw || "HTTP/1.1 #{status}\r\nContent-Length: #{body.bytesize}\r\nConnection: close\r\n\r\n#{body}")
        client.close
      end
    end
    yield Link.new("http://127.0.0.1:#{server.addr[1]}")
  ensure
    thread&.kill
    server&.close
  end

  LINE = { "number" => "A-1", "available" => 3, "price_cents" => 100, "days" => 2 }.freeze
  ORDER = { "supplier_ref" => "S1", "ships_on" => "2026-12-01", "lines" => [{ "number" => "A-1", "quantity" => 4, "price_cents" => 100 }] }.freeze

  def stock(answer) = answering(answer.is_a?(String) ? answer : JSON.generate(answer)) { |link| link.stock(["A-1"]) }
  def order(answer) = answering(JSON.generate(answer)) { |link| link.order(reference: "P-1", lines: [{ number: "A-1", quantity: 4 }]) }

  def test_what_is_meant_is_used
    assert_equal [{ number: "A-1", available: 3, price_cents: 100, days: 2 }], stock("lines" => [LINE])
    assert_equal({ supplier_ref: "S1", ships_on: "2026-12-01", lines: [{ number: "A-1", quantity: 4, price_cents: 100 }] }, order(ORDER))
    assert_nil(answering("{}") { |link| link.dispatch("P-1") })
    assert_equal({ "A-1" => 2 }, answering(JSON.generate(lines: [{ number: "A-1", quantity: 2 }])) { |link| link.dispatch("P-1") })
  end

  NONSENSE = [
    "", "[]", "null", "3", "{", "{}", "<html>", "\xFF\xFE", { "lines" => nil }, { "lines" => "A-1" }, { "lines" => [1] }, { "lines" => [{}] },
    *[{ "available" => "3" }, { "available" => -1 }, { "price_cents" => 1.5 }, { "price_cents" => 10**12 }, { "days" => nil }]
      .map do |change|
      { "lines" => [LINE.merge(change)] }
    end
  ].freeze

  def test_nonsense_is_said
    NONSENSE.each do |answer|
      trouble = assert_raises(Link::Trouble, answer.inspect) { stock(answer) }
      assert_match(/cannot be used: it has .*received as always\.\z/, trouble.message)
    end
    other = { "number" => "B-2", "quantity" => 1, "price_cents" => 1 }
    [ORDER.merge("ships_on" => "soon"), ORDER.except("supplier_ref"), ORDER.merge("lines" => [other]),
     ORDER.merge("lines" => [other.merge("number" => "A-1", "quantity" => nil)])].each do |answer|
      assert_raises(Link::Trouble, answer.inspect) { order(answer) }
    end
  end

  def test_no_answer_is_said
    assert_match(/says no \(500\)/, assert_raises(Link::Trouble) { answering("{}", status: "500 Oh") { |link| link.stock([]) } }.message)
    ["", "rubbish\r\n\r\n"].each do |raw|
      assert_match(/does not answer/, assert_raises(Link::Trouble, raw) { answering("", raw: raw) { |link| link.stock([]) } }.message)
    end
    closed = TCPServer.new("127.0.0.1", 0).then { |server| server.addr[1].tap { server.close } }
    assert_match(/does not answer/, assert_raises(Link::Trouble) { Link.new("http://127.0.0.1:#{closed}").stock([]) }.message)
    cut = "HTTP/1.1 200 OK\r\nContent-Length: 99\r\n\r\n{"
    # Cut off: it is seen to end, or taken for what it is, by chance of the network.
    assert_match(/has no JSON|does not answer/, assert_raises(Link::Trouble) { answering("", raw: cut) { |link| link.stock([]) } }.message)
    assert_match(/far too much/, assert_raises(Link::Trouble) { stock("x" * 1_100_000) }.message)
  end
end
