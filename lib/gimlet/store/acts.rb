# frozen_string_literal: true

require "digest"
require "json"
require_relative "../core/input_error"
require_relative "clock"

module Gimlet
  module Store
    # What was done under which key. The same wish under the same key is done once, whoever sends it again: a lost answer, a second press, a till that
    # comes back a day later. Another wish under that key is refused.
    #
    #   acts.once("k1", "moveStock", { "number" => "PW-1", "quantity" => 4 }, who: "Adela") { 7 } # => 7, and nothing is done a second time
    class Acts
      # @param database [Sequel::Database]
      def initialize(database)
        @database = database
      end

      # @param key [String] made by whoever asks
      # @param operation [String] what is done, and to what
      # @param content [Object] plain data: all that it is done with
      # @yield does it, in the transaction that notes the key
      # @return [Object] what the block answered, as plain data; of a key that is known, what it answered then
      # @raise [Core::InputError] when the key was used for something else
      def once(key, operation, content, who:)
        digest = Digest::SHA256.hexdigest(JSON.generate([operation, content]))
        @database.transaction(mode: :immediate) do
          done = @database[:acts].where(key: key).first
          next known(done, digest) if done

          result = yield
          @database[:acts].insert(key: key, operation: operation, digest: digest, who: who, at: Clock.now, result: JSON.generate(result))
          result
        end
      end

      private

      def known(done, digest)
        return JSON.parse(done[:result]) if done[:digest] == digest

        Core::InputError.reject("key", "key_used", "This key was used for something else (#{done[:operation]}, by #{done[:who]}): nothing is done. " \
                                                   "Send it again with a key of its own.")
      end
    end
  end
end
