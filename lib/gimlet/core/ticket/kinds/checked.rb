# frozen_string_literal: true

require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # A quick check of the diagnosis; without a result it is taken back.
      class Checked < Kind
        field "check", TEXT.call(60)
        field "result", { "type" => %w[string null], "maxLength" => 60 }

        def self.check(body, known)
          ids = known.diagnosis.checks.map(&:id)
          reject("check", "unknown_check", "“#{body['check']}” is no check: use #{ids.join(', ')}.") unless ids.include?(body["check"])
          return body if body["result"].nil? || known.answer?(body["result"])

          reject("result", "bad_result", "A check is answered with yes or no.")
        end

        def self.fold(entries, _live) = { checked: latest(entries, "check") { |body| body["result"] } }
        def self.words(body, _areas) = "#{plain(body['check'])}: #{body['result'] || 'open again'}"
      end
    end
  end
end
