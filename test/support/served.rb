# frozen_string_literal: true

require "json"
require "net/http"
require "socket"
require_relative "app"

# `bin/gimlet serve` on a shop of its own: people of every role, the invented catalogue, no demo and no supplier. Asked over the network, as tills do.
#
#   served = Served.new.start
#   served.post("/api/customers", { name: "Tideway" }, role: "counter").status # => 201
#   served.stop
class Served
  ROOT = File.expand_path("../..", __dir__)
  MAKING = Mutex.new
  Answer = Struct.new(:status, :headers, :text) do
    def json = JSON.parse(text)
  end

  # @return [String] a database that shops are copied from
  def self.template = MAKING.synchronize { @template ||= made }

  def self.made
    File.join(File.dirname(SeededApp::TEMPLATE), "own.sqlite3").tap do |path|
      database = Gimlet::Store.connect(path)
      Gimlet::Demo.seed(database)
      Gimlet::Core::Roles::ALL.each { |role| Gimlet::Store::People.new(database, cost: 4).upsert("the #{role}", role, "secret #{role}") }
      database.run("PRAGMA wal_checkpoint(TRUNCATE)")
      database.disconnect
    end
  end
  private_class_method :made

  attr_reader :path, :port, :log, :pid

  # @param env [Hash{String=>String}] of the process
  # @param from [String] the database it begins with
  def initialize(env: {}, from: self.class.template)
    @folder = Dir.mktmpdir("served", SeededApp::FOLDER)
    @path, @log = File.join(@folder, "shop.sqlite3"), File.join(@folder, "log")
    FileUtils.cp(from, @path)
    [".key", ".sign"].each { |suffix| FileUtils.cp("#{from}#{suffix}", "#{@path}#{suffix}") if File.exist?("#{from}#{suffix}") }
    @env = env
    @tokens = Gimlet::Core::Roles::ALL.to_h { |role| [role, Gimlet::Store::Tokens.new(database).issue("script of #{role} #{object_id}", role)] }
  end

  # A connection of the test's own to what is served.
  def database = @database ||= Gimlet::Store.file(@path)

  # @return [self] when it answers
  def start
    @port = free_port
    @pid = Process.spawn({ "GIMLET_DB" => @path, "PORT" => @port.to_s, "GIMLET_HOSTS" => nil, **@env }, File.join(ROOT, "bin/gimlet"), "serve",
                         out: @log, err: %i[child out], pgroup: true)
    600.times do
      return self if answers?
      raise "it does not start: #{told}" if ended?

      sleep 0.1
    end
    raise "it does not answer: #{told}"
  end

  def told = File.read(@log)

  def stop(signal = :TERM)
    Process.kill(signal, -@pid) if @pid
    Process.wait(@pid) if @pid
  rescue Errno::ESRCH, Errno::ECHILD
    nil
  ensure
    @pid = nil
  end

  # Gone with all that it kept.
  def close
    stop(:KILL)
    @database&.disconnect
    FileUtils.rm_rf(@folder)
  end

  # bin/gimlet beside it, as the keeper types it.
  # @return [String] what it said
  def command(*words)
    IO.popen({ "GIMLET_DB" => @path }, [File.join(ROOT, "bin/gimlet"), *words], err: %i[child out], &:read)
  end

  def get(path, role: "owner", **headers) = ask(Net::HTTP::Get, path, role: role, headers: headers)

  # @param body [Hash, String] a hash is sent as JSON
  def post(path, body = {}, role: "owner", **headers)
    media = body.is_a?(String) ? "application/octet-stream" : "application/json"
    ask(Net::HTTP::Post, path, role: role, headers: { "Content-Type" => media, **headers }, body: body.is_a?(String) ? body : JSON.generate(body))
  end

  # Sends a file, waits until it was looked at, and takes it.
  # @return [Hash] the upload when it ended
  def bring(path, bytes, **options)
    upload = settled(post(path, bytes).json)
    mark = (upload["prices"] || upload["series"] || {})["mark"] or return upload
    post("/api/uploads/#{upload['id']}/take", { mark: mark, **options })
    settled(upload)
  end

  private

  def settled(upload)
    900.times do
      told = get("/api/uploads/#{upload['id']}").json
      return told unless %w[waiting reading taking].include?(told["state"])

      sleep 0.1
    end
    raise "the upload does not end"
  end

  def ask(verb, path, role:, headers:, body: nil)
    request = verb.new(path)
    request["Authorization"] = "Bearer #{@tokens.fetch(role)}" if role
    headers.each { |name, value| request[name.to_s.tr("_", "-")] = value }
    request.body = body if body
    answer = Net::HTTP.start("127.0.0.1", @port, open_timeout: 5, read_timeout: 60) { |http| http.request(request) }
    Answer.new(answer.code.to_i, answer.to_hash.transform_values(&:first), answer.body.to_s.dup.force_encoding("UTF-8"))
  end

  def answers?
    Net::HTTP.get_response("127.0.0.1", "/api/health", @port).is_a?(Net::HTTPOK)
  rescue SystemCallError, IOError, Timeout::Error
    false
  end

  # Below the ports that the system lends to outgoing connections, or one of those takes it before the server does.
  def free_port
    (20_000..30_000).to_a.shuffle.find do |port|
      TCPServer.open("127.0.0.1", port) { true }
    rescue Errno::EADDRINUSE
      false
    end
  end

  def ended? = Process.waitpid(@pid, Process::WNOHANG)
end
