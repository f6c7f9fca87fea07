# frozen_string_literal: true

require_relative "lib/gimlet/server"

begin
  path = ENV.fetch("GIMLET_DB") { File.expand_path("var/gimlet.sqlite3", __dir__) }
  SERVER = Gimlet::Server.new(path, host: ENV.fetch("HOST", "127.0.0.1"), demo: ENV.key?("GIMLET_DEMO"))
  run SERVER.app
rescue Gimlet::Core::InputError => e
  abort e.message
end
