# frozen_string_literal: true

require_relative "lib/gimlet/api/app"
require_relative "lib/gimlet/store/database"

database = Gimlet::Store.connect(ENV.fetch("GIMLET_DB") { File.expand_path("var/gimlet.sqlite3", __dir__) })
run Gimlet::API::App.new(database)
