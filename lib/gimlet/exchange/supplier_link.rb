# frozen_string_literal: true

require "date"
require "ipaddr"
require "json"
require "net/http"
require "timeout"
require "uri"
require "zlib"

module Gimlet
  module Exchange
    # Asks a supplier on this machine, over HTTP and JSON: what there is, at what price, until when; and orders it. Whatever goes wrong is one
    # Trouble with a sentence, after a second or two.
    #
    #   SupplierLink.new("http://127.0.0.1:4481").stock(["PW-K220"]) # => [{number: "PW-K220", available: 12, price_cents: 4165, days: 3}]
    class SupplierLink
      # The supplier could not be asked, or said nothing that can be used.
      class Trouble < StandardError; end

      # For a question as a whole, however slowly its answer drips; and what is read of it at most.
      SECONDS = 4
      MOST_BYTES = 1_000_000
      LONGEST_NESTING = 8
      GO_ON = "Write the purchase down and send it on paper or by mail; what comes is received as always."

      # Questions at a time: who comes after is told so, and the shop goes on.
      AT_ONCE = 2

      # @param address [String]
      # @raise [ArgumentError] for one beyond this machine
      def initialize(address)
        @turns = Queue.new
        AT_ONCE.times { |turn| @turns << turn }
        @uri = URI(address)
        loopback = IPAddr.new(@uri.host).loopback? rescue false # rubocop:disable Style/RescueModifier
        loopback || raise(ArgumentError, "#{address} is not on this machine: the supplier stand-in is asked at 127.0.0.1 only.")
      end

      # @param numbers [Array<String>]
      # @return [Array<Hash>] number, available, price_cents, days
      # @raise [Trouble]
      def stock(numbers)
        rows = ask("/stock", numbers: numbers)["lines"]
        list(rows) do |row|
          { number: text(row, "number"), available: whole(row, "available"), price_cents: whole(row, "price_cents"), days: whole(row, "days") }
        end
      end

      # @param reference [String] ours; the same one is the same order
      # @param lines [Array<Hash>] number, quantity
      # @return [Hash] supplier_ref, ships_on, lines: number, quantity, price_cents
      # @raise [Trouble]
      def order(reference:, lines:)
        told = ask("/orders", reference: reference, lines: lines)
        { supplier_ref: text(told, "supplier_ref"), ships_on: day(told, "ships_on"), lines: ordered(told, lines) }
      end

      # @return [Hash] shipped: number => quantity; nil while nothing was sent off
      # @raise [Trouble]
      def dispatch(reference)
        told = ask("/dispatch", reference: reference)
        told["lines"] && list(told["lines"]) { |row| [text(row, "number"), whole(row, "quantity")] }.to_h
      end

      # Of the stand-in only.
      # @param wanted [String, nil] another day for it
      # @return [Hash, nil] mood and moods; nil of a supplier that has none
      def mood(wanted = nil)
        told = ask("/mood", mood: wanted)
        { mood: text(told, "mood"), moods: told["moods"] }
      rescue Trouble
        nil
      end

      private

      def in_turn
        turn = @turns.pop(true)
        yield
      rescue ThreadError
        trouble("The supplier is being asked by others and is slow: ask again in a moment.")
      ensure
        @turns << turn if turn
      end

      def ask(path, body) = in_turn { answer_of(path, body) }

      def answer_of(path, body)
        text = Timeout.timeout(SECONDS, Timeout::Error) { post(path, JSON.generate(body)) }
        (text.valid_encoding? && !text.include?("\0")) || nonsense("no text in UTF-8")
        JSON.parse(text, max_nesting: LONGEST_NESTING).then { |told| told.is_a?(Hash) ? told : nonsense("no object") }
      rescue JSON::ParserError
        nonsense("no JSON")
      rescue SystemCallError, IOError, Timeout::Error, Net::ProtocolError, Net::HTTPBadResponse, Net::HTTPHeaderSyntaxError, Zlib::Error
        trouble("The supplier does not answer. #{GO_ON}")
      end

      # Read piece by piece and not unpacked, so that no answer is larger than it looks.
      # @return [String] in UTF-8, sound or not
      def post(path, text)
        request = Net::HTTP::Post.new(path, "Content-Type" => "application/json", "Accept-Encoding" => "identity")
        read = +""
        Net::HTTP.start(@uri.host, @uri.port, open_timeout: SECONDS, read_timeout: SECONDS, write_timeout: SECONDS, max_retries: 0) do |http|
          http.request(request, text) do |answer|
            answer.code == "200" || trouble("The supplier says no (#{answer.code[0, 3]}). #{GO_ON}")
            answer.read_body { |piece| (read << piece).bytesize <= MOST_BYTES || nonsense("far too much") }
          end
        end
        read.force_encoding(Encoding::UTF_8)
      end

      def ordered(told, lines)
        rows = list(told["lines"]) { |row| { number: text(row, "number"), quantity: whole(row, "quantity"), price_cents: whole(row, "price_cents") } }
        strange = rows.map { |row| row[:number] } - lines.map { |line| line[:number] }
        strange.empty? ? rows : nonsense("a number that was not asked for, #{strange.first[0, 40]}")
      end

      def list(rows, &)
        rows.is_a?(Array) && rows.all?(Hash) ? rows.map(&) : nonsense("no lines")
      end

      def text(row, key)
        row[key].is_a?(String) && row[key].size.between?(1, 60) && !row[key].match?(/[[:cntrl:]]/) ? row[key] : nonsense("no #{key}")
      end

      def whole(row, key) = row[key].is_a?(Integer) && row[key].between?(0, 100_000_000) ? row[key] : nonsense("no #{key}")

      def day(row, key)
        Date.strptime(text(row, key), "%Y-%m-%d").iso8601
      rescue Date::Error
        nonsense("no #{key}")
      end

      def nonsense(what) = trouble("The supplier's answer cannot be used: it has #{what}. #{GO_ON}")
      def trouble(sentence) = raise(Trouble, sentence)
    end
  end
end
