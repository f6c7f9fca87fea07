# frozen_string_literal: true

require "ipaddr"
require "rbconfig"
require "securerandom"
require "time"
require_relative "api/app"
require_relative "store/audit"
require_relative "store/backup"
require_relative "store/database"
require_relative "store/health"
require_relative "store/lock"
require_relative "store/people"
require_relative "store/replica"
require_relative "store/stock"
require_relative "supplier/stand_in"

module Gimlet
  # A database that is served: by one process, sound when it starts, copied every so often.
  #
  #   Server.new("/srv/gimlet/gimlet.sqlite3", host: "127.0.0.1").app # => for a web server
  class Server
    # Minutes between two copies; 0 makes none.
    MINUTES = 60
    # Seconds between two audits.
    AUDITED_S = 22 * 3600
    # Seconds after the start, which has enough to do.
    FIRST_S = 60

    # @param path [String] of the database
    # @param host [String] where it listens
    # @param demo [Boolean] whether it was started as the demo, where one key signs in on this machine
    # @param out [IO] told what was found
    def initialize(path, host: "127.0.0.1", demo: false, out: $stdout)
      @path = path
      @host = host
      @demo = demo
      @out = out
    end

    # @return [API::App]
    # @raise [Core::InputError] when it cannot be served
    def app
      @lock = Store::Lock.new(@path)
      @lock.take || reject("in_use", @lock.refusal)
      @path = File.realdirpath(@path)
      Counter::Uploads.clear(@path)
      @database = Store.connect(@path, lock: @lock, out: @out)
      sound
      people
      tell
      replica = Store::Replica.of(@path)&.tap(&:start)
      serve(Counter::Shop.new(@database, supplier: supplier, replica: replica))
    rescue Sequel::Error, SystemCallError => e
      code, sentence = Store::Health.trouble(e) || ["unusable", "#{e.message.lines.first.strip}."]
      reject(code, "#{@path}: #{sentence}")
    end

    private

    def serve(shop)
      shop.ready
      at_exit { shop.stop }
      copies if minutes.positive?
      daily(shop)
      API::App.new(shop, demo: @demo && loopback?)
    end

    def sound
      fault = Store::Health.new(@database).integrity
      fault == "ok" || reject("damaged", "#{@path} is damaged (#{fault}): restore a copy with bin/gimlet restore FILE (docs/running.md, a bad day).")
      File.stat(@path).nlink == 1 || reject("two_names",
                                            "#{@path} has a second name on this disk (a hard link): remove one, so that it is served once only.")
    end

    def people
      people = Store::People.new(@database)
      people.seal
      first_owner(people) unless people.any?
      return unless @demo

      @out.puts loopback? ? "The demo: one key signs in on this machine." : "The demo listens beyond this machine: nobody signs in with one key. " \
        "bin/gimlet person NAME ROLE gives somebody a secret."
    end

    # In a file that only the owner of the service can read, and not in the service's log.
    def first_owner(people)
      secret = SecureRandom.alphanumeric(12)
      file = "#{@path}.first-owner"
      File.write(file, "Sign in as “owner” with #{secret}, give people names and secrets (at the desk, or with bin/gimlet person), then remove " \
                       "this file.\n", perm: 0o600)
      people.upsert("owner", "owner", secret)
      @out.puts "Nobody is on file yet: how to sign in as “owner” stands in #{file}."
    end

    def tell
      counts = { series: "series", orders: "orders", tickets: "tickets" }.map { |table, name| "#{@database[table].count} #{name}" }
      latest = Store::Backup.latest(folder)
      @out.puts "Serving #{@path}: #{counts.join(', ')}; #{latest ? "last copy #{latest}" : 'no copy yet'}; " \
                "#{minutes.positive? ? "a copy every #{minutes} minutes" : 'no copies by itself'}.",
                *Store::Backup.fault(folder)
    end

    # The demo has a stand-in of its own; another shop buys on paper until an address is named.
    # @return [Exchange::SupplierLink, nil]
    def supplier
      address = ENV.fetch("GIMLET_SUPPLIER") { stand_in.address if @demo }
      Exchange::SupplierLink.new(address) if address
    rescue ArgumentError => e
      reject("supplier", e.message)
    end

    def stand_in = Supplier::StandIn.start(Store::Stock.new(@database).all.transform_values(&:price_cents))

    def folder = Store::Backup.folder(@path)
    def minutes = Integer(ENV.fetch("GIMLET_BACKUP_MINUTES", MINUTES.to_s), exception: false) || MINUTES

    def loopback?
      IPAddr.new(@host).loopback?
    rescue IPAddr::Error
      @host == "localhost"
    end

    def copies
      backup = Store::Backup.new(@database, folder)
      Thread.new { loop { copy(backup) } }
    end

    def copy(backup)
      sleep(minutes * 60)
      backup.keep
    rescue StandardError => e
      warn "No copy was made: #{e.message}"
    end

    # Once a day, beside the work: looked for every hour, as a machine may sleep.
    def daily(shop)
      Thread.new do
        loop do
          { "learned" => -> { shop.learn_anew }, "audited" => -> { audit } }.each do |what, work|
            work.call
          rescue StandardError => e
            warn "Nothing was #{what}: #{e.message}"
          end
          sleep(3600)
        end
      end
    end

    # In a process of its own, behind the counter: a large shop's orders take a while.
    def audit
      last = Store::Audit.last(@database)
      return if last && Time.now - Time.iso8601(last["at"]) < AUDITED_S

      sleep(FIRST_S)
      command = File.expand_path("../../bin/gimlet", __dir__)
      Process.wait(Process.spawn({ "GIMLET_DB" => @path }, "nice", RbConfig.ruby, command, "audit", out: File::NULL, close_others: true))
    end

    def reject(code, sentence) = Core::InputError.reject("database", code, sentence)
  end
end
