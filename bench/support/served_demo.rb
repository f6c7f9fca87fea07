# frozen_string_literal: true

require "json"
require "net/http"
require "tmpdir"

# A served demo in a folder of its own, to be asked, hurried and killed from outside.
class ServedDemo
  COMMAND = File.expand_path("../../bin/gimlet", __dir__)
  START_S = 20

  attr_reader :database

  # @param port [Integer] that is free
  # @param role [String] of whoever asks
  def initialize(port, role: "counter")
    @port = port
    @database = File.join(Dir.mktmpdir("gimlet"), "shop.sqlite3")
    @environment = { "PORT" => port.to_s, "GIMLET_DB" => @database, "GIMLET_BACKUP_MINUTES" => "0" }
    command("demo")
    @token = command("token", "bench", role).lines.last.strip
  end

  def command(*words) = IO.popen(@environment, [COMMAND, *words], &:read)

  def start
    @pid = spawn(@environment, COMMAND, "serve", out: File::NULL, err: File::NULL, pgroup: true)
    (START_S * 10).times { answers? ? (return self) : sleep(0.1) }
    abort "The served demo does not answer."
  end

  # As a power cut would.
  def kill
    Process.kill("KILL", -@pid)
    Process.wait(@pid)
  end

  def resident_kb = File.read("/proc/#{@pid}/status")[/VmRSS:\s+(\d+)/, 1].to_i

  # @yield [#get, #post] a connection that stays open
  def connection(&) = Net::HTTP.start("127.0.0.1", @port, read_timeout: 60, &)

  def get(http, path) = http.get(path, headers)
  def post(http, path, body) = send_raw(http, path, JSON.generate(body))
  def send_raw(http, path, body) = http.post(path, body, headers)

  def send_file(http, path, bytes) = http.post(path, bytes, headers.merge("Content-Type" => "application/octet-stream"))

  private

  def headers = { "Content-Type" => "application/json", "Authorization" => "Bearer #{@token}" }

  def answers?
    Net::HTTP.get_response(URI("http://127.0.0.1:#{@port}/api/health")).code == "200"
  rescue SystemCallError, EOFError
    false
  end
end
