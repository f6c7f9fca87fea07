# frozen_string_literal: true

require_relative "lib/gimlet/served"

begin
  SERVED = Gimlet::Served.new(ENV.fetch("GIMLET_DB") { File.expand_path("var/gimlet.sqlite3", __dir__) })
  run SERVED.app
rescue Gimlet::Core::InputError => e
  abort e.message
end
