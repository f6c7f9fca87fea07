# frozen_string_literal: true

require "ipaddr"

module Gimlet
  module API
    # Where a request comes from. What a proxy says is believed only of one on this machine.
    #
    #   Peer.new("REMOTE_ADDR" => "127.0.0.1").here? # => true
    #   Peer.new("REMOTE_ADDR" => "127.0.0.1", "HTTP_VIA" => "1.1 cache").here? # => false
    class Peer
      # Headers that something in between leaves. Common practice, no source: RFC 7239 and 9110 name Forwarded and Via only.
      BETWEEN = /\AHTTP_(?:X_FORWARDED|FORWARDED|VIA|X_REAL_IP|X_ORIGINAL|X_CLIENT_IP|X_CLUSTER_CLIENT_IP|X_ENVOY|X_PROXY|X_HOST\z|
                        TRUE_CLIENT_IP|CLIENT_IP|CF_|FASTLY|PROXY)/x

      # @param env [Hash] of Rack
      def initialize(env)
        @env = env
      end

      # @return [Boolean] whether it was sent on this machine, through nothing in between
      def here? = socket_here? && @env.each_key.none? { |name| name.match?(BETWEEN) }

      # @return [String] of whoever asks: the last hop that a proxy on this machine names, else the other end of the socket
      def address
        hop = socket_here? && @env["HTTP_X_FORWARDED_FOR"].to_s.split(",").last.to_s.strip
        hop && !hop.empty? ? hop[0, 60] : socket
      end

      # @return [String] "http" or "https", as the browser sees it
      def scheme = socket_here? && @env["HTTP_X_FORWARDED_PROTO"] == "https" ? "https" : "http"

      private

      def socket = @env.fetch("REMOTE_ADDR", "127.0.0.1")

      def socket_here?
        address = IPAddr.new(socket)
        (address.ipv4_mapped? ? address.native : address).loopback?
      rescue IPAddr::Error
        false
      end
    end
  end
end
