# frozen_string_literal: true

require "digest"
require "json"
require "openssl"
require_relative "../core/desk/name"
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
      DEEPEST = 60
      LONGEST_NAME = 80
      DAY = /\A\d{4}-\d\d-\d\d(?:T[\d:]{8}Z)?\z/
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
        text = text.dup.force_encoding(Encoding::UTF_8)
        told = text.valid_encoding? ? JSON.parse(text, max_nesting: DEEPEST) : nil
        reject("is no bundle of series.") unless told.is_a?(Hash) && told["format"] == FORMAT && told["version"] == VERSION
        reject("is no bundle of series, or only a part of one.") unless told.values_at("key", "signature", "signed").all?(String)
        key = OpenSSL::PKey.read(told["key"])
        reject("is not as it was signed: something in it was changed. Ask for it again.") unless signed?(key, told)
        contents(JSON.parse(told["signed"], max_nesting: DEEPEST, allow_duplicate_key: false), fingerprint(key))
      rescue JSON::ParserError, OpenSSL::PKey::PKeyError, ArgumentError
        reject("is no bundle of series, or only a part of one.")
      end

      # A signature proves who wrote it, not that it is what it should be.
      def contents(signed, fingerprint)
        made, series = signed.is_a?(Hash) ? signed.values_at("made", "series") : nil
        shop, at = made.is_a?(Hash) ? made.values_at("shop", "at") : nil
        reject("does not say who made it and when.") unless shop.is_a?(String) && shop.size <= LONGEST_NAME && at.to_s.match?(DAY)
        reject("has no series in it.") unless series.is_a?(Array) && series.any? && series.all? { |one| document?(one) }
        reject("has a series twice.") unless series.map { |one| one["series"]["id"] }.uniq.size == series.size
        Contents.new(series: series, shop: Core::Desk::Name.read(shop, field: "shop"), at: at, fingerprint: fingerprint)
      end

      def document?(one)
        one.is_a?(Hash) && one["series"].is_a?(Hash) && one["series"]["id"].is_a?(String) && one["series"]["id"].match?(/\A[a-z0-9-]{1,60}\z/)
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
