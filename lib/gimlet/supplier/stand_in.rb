# frozen_string_literal: true

require "date"
require "digest"
require "json"
require "puma"
require "puma/server"

module Gimlet
  # A supplier that is none: it ships with the application, listens on this machine only, and has good and bad days.
  #
  #   stand_in = Supplier::StandIn.start(prices) # => listens on a free port
  #   stand_in.address                           # => "http://127.0.0.1:40123"
  #   stand_in.mood = "down"
  module Supplier
    # Availability and days follow from the number itself, so that the same question has the same answer.
    class StandIn
      # fine; slow: answers after the caller has given up; down: says that it is out of order; short: confirms and sends less; dearer: another price
      # than it told; nonsense: no JSON at all.
      MOODS = %w[fine slow down short dearer nonsense].freeze
      SLOW_S = 5
      # What the shop pays of what it asks.
      SHARE = Rational(62, 100)

      # @param prices [Hash{String=>Integer}] list prices, cents by number
      # @return [StandIn] that answers
      def self.start(prices, port: 0)
        stand_in = new(prices)
        server = Puma::Server.new(stand_in, nil, min_threads: 1, max_threads: 2, log_writer: Puma::LogWriter.null)
        socket = server.add_tcp_listener("127.0.0.1", port)
        stand_in.listening(server, socket.addr[1])
        server.run
        stand_in
      end

      attr_reader :address, :mood

      def initialize(prices)
        @prices = prices
        @mood = "fine"
        @orders = {}
        @lock = Mutex.new
      end

      def listening(server, port)
        @server = server
        @address = "http://127.0.0.1:#{port}"
      end

      def stop = @server.stop(true)

      # @param mood [String] of MOODS
      def mood=(mood)
        MOODS.include?(mood) || raise(ArgumentError, "#{mood} is no mood: use #{MOODS.join(', ')}")
        @mood = mood
      end

      # Rack.
      def call(env)
        return mood_of(env) if env["PATH_INFO"] == "/mood"

        sleep(SLOW_S) if @mood == "slow"
        return [503, {}, ["out of order"]] if @mood == "down"
        return [200, {}, ["<html>Welcome!</html>"]] if @mood == "nonsense"

        asked = JSON.parse(env["rack.input"].read)
        told = @lock.synchronize { answer(env["PATH_INFO"], asked) }
        told ? json(told) : [404, {}, ["not here"]]
      end

      private

      def json(told) = [200, { "content-type" => "application/json" }, [JSON.generate(told)]]

      # What no supplier has: its day can be chosen.
      def mood_of(env)
        wanted = JSON.parse(env["rack.input"].read)["mood"]
        self.mood = wanted if wanted
        json(mood: @mood, moods: MOODS)
      end

      def answer(path, asked)
        case path
        when "/stock" then { lines: asked["numbers"].map { |number| offer(number) } }
        when "/orders" then @orders[asked["reference"]] ||= order(asked)
        when "/dispatch" then dispatch(@orders[asked["reference"]])
        end
      end

      def luck(number, most) = Digest::SHA256.hexdigest(number)[0, 8].to_i(16) % most
      def price(number) = ((@prices.fetch(number, 0) * SHARE).round * (@mood == "dearer" ? Rational(11, 10) : 1)).round

      def offer(number)
        { number: number, available: @prices.key?(number) ? luck(number, 30) : 0, price_cents: price(number), days: 2 + luck(number, 5) }
      end

      def order(asked)
        lines = asked["lines"].map do |line|
          sent = @mood == "short" ? line["quantity"] / 2 : line["quantity"]
          { number: line["number"], quantity: sent, price_cents: price(line["number"]) }
        end
        days = asked["lines"].map { |line| 2 + luck(line["number"], 5) }.max
        { supplier_ref: "S#{luck(asked['reference'], 90_000) + 10_000}", ships_on: (Date.today + days).iso8601, lines: lines }
      end

      def dispatch(order) = order ? { lines: order[:lines].map { |line| line.slice(:number, :quantity) } } : {}
    end
  end
end
