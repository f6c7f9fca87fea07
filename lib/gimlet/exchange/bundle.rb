# frozen_string_literal: true

require "digest"
require "json"
require "openssl"
require_relative "../core/input_error"
require_relative "../core/value"

module Gimlet
  module Exchange
    # Series that one shop gives to another, with the shop's signature: nothing of them was changed on the way.
    #
    #   text = Bundle.write(documents, shop: "Coined Pumps", key: key, at: "2026-05-02")
    #   Bundle.read(text).fingerprint # => "3f9c 21a0 …", to be compared on the telephone
    #
    # Ed25519 over the JSON text of `series` and `made`: RFC 8032.
    module Bundle
      FORMAT = "gimlet-bundle"
      VERSION = 1
      # `series` documents, who made it and when, and the fingerprint of the key that signed it.
      Contents = Core::Value.of(:series, :shop, :at, :fingerprint)

      module_function

      # @return [OpenSSL::PKey::PKey] a shop's own
      def key = OpenSSL::PKey.generate_key("ED25519")

      # @param documents [Array<Hash>]
      # @param key [OpenSSL::PKey::PKey]
      # @return [String] JSON
      def write(documents, shop:, key:, at:)
        signed = JSON.generate({ "made" => { "shop" => shop, "at" => at }, "series" => documents })
        signature = [key.sign(nil, signed)].pack("m0")
        JSON.pretty_generate({ "format" => FORMAT, "version" => VERSION, "key" => key.public_to_pem, "signature" => signature, "signed" => signed })
      end

      # @param text [String]
      # @return [Contents]
      # @raise [Core::InputError] when it is none, or not as it was signed
      def read(text)
        told = JSON.parse(text)
        reject("is no bundle of series.") unless told.is_a?(Hash) && told["format"] == FORMAT && told["version"] == VERSION
        key = OpenSSL::PKey.read(told["key"].to_s)
        reject("is not as it was signed: something in it was changed. Ask for it again.") unless signed?(key, told)
        contents = JSON.parse(told["signed"], allow_duplicate_key: false)
        Contents.new(series: contents["series"], shop: contents.dig("made", "shop"), at: contents.dig("made", "at"), fingerprint: fingerprint(key))
      rescue JSON::ParserError, OpenSSL::PKey::PKeyError, ArgumentError
        reject("is no bundle of series, or only a part of one.")
      end

      # @return [String] of the public key, short enough to be read out
      def fingerprint(key) = Digest::SHA256.hexdigest(key.public_to_der)[0, 16].scan(/.{4}/).join(" ")

      def signed?(key, told)
        key.oid == "ED25519" && key.verify(nil, told["signature"].to_s.unpack1("m0"), told["signed"].to_s)
      end

      def reject(sentence) = Core::InputError.reject("bundle", "bad_bundle", "The bundle #{sentence}")
    end
  end
end
