# frozen_string_literal: true

require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # A tool that goes along, lent or sold; without either it stays here. Only what fits one series is lent: a spanner is not.
      class Handed < Kind
        field "tool", TEXT.call(200)
        field "how", { "type" => %w[string null], "enum" => ["lent", "sold", nil] }

        def self.check(body, known)
          made = known.snapshot.series.flat_map(&:tools).select(&:number).map(&:name)
          made.include?(body["tool"]) || reject("tool", "unknown_tool", "“#{body['tool']}” is not lent or sold here.")
          body
        end

        def self.fold(entries, _live) = { handed: latest(entries, "tool") { |body| body["how"] } }
        def self.words(body, _areas) = "#{body['tool']}: #{body['how'] || 'stays here'}"
      end
    end
  end
end
