# frozen_string_literal: true

require "json"
require "socket"
require "zlib"

# A supplier that answers as none should, on a port of its own.
#
#   BadSupplier.new(:drips).address # => "http://127.0.0.1:40123"
class BadSupplier
  HEAD = "HTTP/1.1 200 OK\r\nContent-Type: application/json\r\n"
  WHOLE = ->(body, more = "") { "#{HEAD}#{more}Content-Length: #{body.bytesize}\r\nConnection: close\r\n\r\n#{body}" }
  # Made once: to make it holds up whoever measures beside.
  BOMB = Zlib.gzip("0" * 200_000_000).freeze
  # What is written, or done, once the question was read.
  WAYS = {
    never: ->(_) { sleep 60 },
    drips: ->(client) { client.write("#{HEAD}Content-Length: 9000\r\n\r\n") && loop { client.write("1") && sleep(0.5) } },
    endless: ->(client) { client.write("#{HEAD}\r\n") && loop { client.write("x" * 65_536) } },
    huge: ->(client) { client.write("#{HEAD}Content-Length: 629145600\r\n\r\n") && loop { client.write(" " * 65_536) } },
    old_http: ->(client) { client.write("{\"lines\": []}") },
    broken_gzip: ->(client) { client.write(WHOLE.call("\x1F\x8B\x08\x00not gzip".b, "Content-Encoding: gzip\r\n")) },
    gzip_bomb: ->(client) { client.write(WHOLE.call(BOMB, "Content-Encoding: gzip\r\n")) },
    bad_utf8: ->(client) { client.write(WHOLE.call("{\"lines\": [{\"number\": \"\xFF\xFE\"}]}".b)) },
    nul: ->(client) { client.write(WHOLE.call(JSON.generate(lines: [{ number: "A\0", available: 1, price_cents: 1, days: 1 }]))) },
    redirect: ->(client) { client.write("HTTP/1.1 302 Found\r\nLocation: /\r\nContent-Length: 0\r\n\r\n") },
    closes: ->(client) { client },
    brackets: ->(client) { client.write(WHOLE.call("[" * 100_000)) },
    figures: lambda { |client|
      client.write(WHOLE.call("{\"lines\": [{\"number\": \"A\", \"available\": #{'9' * 400}, \"price_cents\": 1, \"days\": 1}]}"))
    }
  }.freeze

  attr_reader :address
  attr_accessor :way

  def initialize(way)
    @way = way
    @server = TCPServer.new("127.0.0.1", 0)
    @address = "http://127.0.0.1:#{@server.addr[1]}"
    @thread = Thread.new { loop { Thread.new(@server.accept) { |client| answer(client) } } }
  end

  def stop
    @thread.kill
    @server.close
  end

  private

  def answer(client)
    size = 0
    while (line = client.gets) && line != "\r\n"
      size = line[/\d+/].to_i if line.match?(/\Acontent-length:/i)
    end
    client.read(size)
    WAYS.fetch(@way).call(client)
  rescue SystemCallError, IOError
    nil
  ensure
    client.close
  end
end
