# frozen_string_literal: true

require "bcrypt"
require "fileutils"
require "openssl"
require "securerandom"
require_relative "../core/input_error"

module Gimlet
  module Store
    # PINs and passwords, kept as bcrypt hashes that are encrypted with a key which lies beside the database and in no copy of it: whoever has a
    # copy alone cannot try PINs on it, not even one. Source: OWASP Password Storage Cheat Sheet, peppering after hashing (from memory).
    #
    #   kept = secrets.keep("Ines", "482193")
    #   secrets.right?("Ines", kept, "482193") # => true
    class Secrets
      # bcrypt's work: a tenth of a second here.
      COST = 10
      SEALED = "sealed:"
      CIPHER = "aes-256-gcm"
      KEY_BYTES = 32
      NONCE_BYTES = 12
      TAG_BYTES = 16
      # Of bcrypt: what comes after is not looked at.
      LONGEST_BYTES = 72

      # @param path [String] of a database
      # @return [String] the file that holds its key
      def self.key_file(path) = "#{path}.key"

      # What a name that nobody has is weighed against, so that it takes as long; by bcrypt's work.
      NOBODY = Hash.new { |made, cost| made[cost] = BCrypt::Password.create(SecureRandom.hex, cost: cost).to_s }

      # @param path [String] of the database
      # @param cost [Integer] bcrypt's work
      def initialize(path, cost: COST)
        @file = self.class.key_file(path)
        @cost = cost
      end

      # @param name [String] whose secret it is; it is of no use under another
      # @return [String] what the database keeps
      def keep(name, secret) = seal(name, BCrypt::Password.create(secret, cost: @cost).to_s)

      # @param kept [String] of an earlier version perhaps
      # @return [String] sealed
      def sealed(name, kept) = kept.start_with?(SEALED) ? kept : seal(name, kept)

      # @param kept [String, nil] nil takes as long, and is never right
      # @return [Boolean]
      # @raise [Core::InputError] when the key is gone, or another one
      def right?(name, kept, secret)
        hash = BCrypt::Password.new(kept ? opened(name, kept) : NOBODY[@cost])
        (hash == secret.to_s) && !kept.nil?
      end

      private

      def seal(name, text)
        cipher = OpenSSL::Cipher.new(CIPHER).encrypt
        cipher.key = key(create: true)
        nonce = cipher.random_iv
        cipher.auth_data = name
        SEALED + [nonce + cipher.update(text) + cipher.final + cipher.auth_tag(TAG_BYTES)].then { |bytes| bytes.pack("m0") }
      end

      def opened(name, kept)
        return kept unless kept.start_with?(SEALED)

        bytes = kept.delete_prefix(SEALED).unpack1("m0")
        cipher = OpenSSL::Cipher.new(CIPHER).decrypt
        cipher.key = key
        cipher.iv = bytes.byteslice(0, NONCE_BYTES)
        cipher.auth_tag = bytes.byteslice(-TAG_BYTES, TAG_BYTES)
        cipher.auth_data = name
        cipher.update(bytes.byteslice(NONCE_BYTES...-TAG_BYTES)) + cipher.final
      rescue OpenSSL::Cipher::CipherError
        lost("is not the one that this PIN was kept with")
      end

      def key(create: false)
        made if create && !File.exist?(@file)
        bytes = File.binread(@file)
        bytes.bytesize == KEY_BYTES ? bytes : lost("is not a key")
      rescue Errno::ENOENT
        lost("is gone")
      end

      # Whole or not there; of two at once the first one counts.
      def made
        fresh = "#{@file}.#{SecureRandom.hex(4)}"
        File.open(fresh, File::WRONLY | File::CREAT | File::EXCL, 0o600) do |file|
          file.write(SecureRandom.bytes(KEY_BYTES))
          file.fsync
        end
        File.link(fresh, @file)
      rescue Errno::EEXIST
        nil
      ensure
        FileUtils.rm_f(fresh)
      end

      def lost(why)
        Core::InputError.reject("secret", "key_lost", "The key #{@file} #{why}: put it back, or give new secrets with bin/gimlet person NAME ROLE.")
      end
    end
  end
end
