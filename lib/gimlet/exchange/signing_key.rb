# frozen_string_literal: true

require_relative "bundle"

module Gimlet
  module Exchange
    # What this shop signs with, beside the database and in no copy of it.
    module SigningKey
      module_function

      # @param path [String] of a database
      # @return [OpenSSL::PKey::PKey] made when it is asked for first
      def of(path)
        file = "#{path}.sign"
        return OpenSSL::PKey.read(File.read(file)) if File.file?(file)

        Bundle.key.tap { |key| File.write(file, key.private_to_pem, perm: 0o600) }
      end
    end
  end
end
