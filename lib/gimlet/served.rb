# frozen_string_literal: true

require "securerandom"
require_relative "api/app"
require_relative "store/backup"
require_relative "store/database"
require_relative "store/lock"
require_relative "store/people"
require_relative "store/wellbeing"

module Gimlet
  # A database that is served: by one process, sound when it starts, copied every so often.
  class Served
    # Minutes between two copies; 0 makes none.
    MINUTES = 60

    # @param path [String] of the database
    # @param out [IO] told what was found
    def initialize(path, out: $stdout)
      @path = path
      @out = out
      @lock = Store::Lock.new(path)
    end

    # @return [API::App]
    # @raise [Core::InputError] when it cannot be served
    def app
      @lock.take || Core::InputError.reject("database", "in_use", @lock.refusal)
      @database = Store.connect(@path)
      sound
      first_owner
      tell
      copies if minutes.positive?
      API::App.new(@database).tap { |app| app.helpers.ready }
    end

    private

    def sound
      fault = Store::Wellbeing.new(@database).integrity
      return if fault == "ok"

      Core::InputError.reject("database", "damaged", "#{@path} is damaged (#{fault}): restore a copy with bin/gimlet restore FILE " \
                                                     "(docs/running.md, a bad day).")
    end

    # Told once, and never again.
    def first_owner
      people = Store::People.new(@database)
      return if people.any?

      code = SecureRandom.alphanumeric(12)
      people.put("owner", "owner", code)
      @out.puts "Nobody is on file yet: sign in as “owner” with #{code}. It is not shown again; bin/gimlet person gives people names and secrets."
    end

    def tell
      counts = { series: "series", orders: "orders", tickets: "tickets" }.map { |table, name| "#{@database[table].count} #{name}" }
      latest = Store::Backup.latest(Store::Backup.folder(@path))
      @out.puts "Serving #{@path}: #{counts.join(', ')}; #{latest ? "last copy #{latest}" : 'no copy yet'}; " \
                "#{minutes.positive? ? "a copy every #{minutes} minutes" : 'no copies by itself'}."
    end

    def minutes = Integer(ENV.fetch("GIMLET_BACKUP_MINUTES", MINUTES.to_s), exception: false) || MINUTES

    def copies
      backup = Store::Backup.new(@database, Store::Backup.folder(@path))
      Thread.new { loop { copy(backup) } }
    end

    def copy(backup)
      sleep(minutes * 60)
      backup.keep
    rescue StandardError => e
      warn "No copy was made: #{e.message}"
    end
  end
end
