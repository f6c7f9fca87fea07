# frozen_string_literal: true

require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # A line that was typed. What was heard in it is kept with it: { items, choices, unheard }, as Ear::ParseResult has them.
      class Said < Kind
        KEPT = %i[areas except complaint wish pumps unit measure seen customer instead sign absent from to].freeze

        field "words", TEXT.call(1000)
        field "asked", { "type" => %w[string null], "description" => "The trait that was asked for." }, required: false

        def self.check(body, known)
          body["words"].strip.empty? && reject("words", "missing", "Type something first.")
          # Dangers come ahead of whatever else it says, and stay though the line be struck out.
          body.merge("hazards" => known.hazards(body["words"]), "heard" => known.listen(body["words"], body["asked"]))
        end

        # What a line puts right counts no more.
        def self.strike(body, struck)
          body.dig("heard", "items").flat_map { |item| item["strikes"] || [] }.each { |place| struck[place] = true }
        end

        def self.items(body)
          body.dig("heard", "items").map do |item|
            symbols(item).slice(*KEPT).merge(readings: item["readings"]&.map { |reading| symbols(reading) })
          end
        end
      end
    end
  end
end
