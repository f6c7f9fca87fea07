# frozen_string_literal: true

require_relative "remark"

module Gimlet::Core
  class Doctor
    # Hand tools that a sentence uses and that are not on the list of the work it belongs to.
    class HandTools
      include Saying

      # Hand tools that must lie on the bench when a sentence uses them: the word => what its name has.
      NAMED = {
        "mallet" => /mallet/, "hammer" => /hammer/, "pliers" => /pliers|collet/, "hook" => /hook/, "screwdriver" => /screwdriver/,
        "punch" => /punch/,
        "brush" => /brush/, "blow the" => /air line/, "blade" => /blade/, "drift" => /drift/, "slide hammer" => /slide hammer/, "pick" => /pick/,
        "lever" => /lever|pry bar/, "puller" => /puller/, "socket extension" => /extension/, "wooden rod" => /wooden rod/, "cloth" => /cloth/,
        "vice" => /vice/, "box spanner" => /box spanner/, "guide pins" => /guide pins/, "cone" => /cone/, "driver" => /driver/
      }.freeze
      # What follows is a caution against the tool.
      DENIED = /\b(?:never|no|not|nothing|without)\b[^;.]*\z/

      # @param series [Catalogue::Series]
      # @param known [Known] its sentences
      def initialize(series, known)
        @pieces = series.stacks.flat_map(&:layers).map { |layer| layer.name.downcase }.join(" ")
        @sentences = known.sentences.reject { |sentence| sentence.phase == "note" }
      end

      # @return [Array<Remark>]
      def call = @sentences.flat_map { |sentence| lacking(sentence) }

      private

      def lacking(sentence)
        told = sentence.text.downcase
        NAMED.filter_map do |word, name|
          from = told =~ /\b#{word}s?\b/ or next
          next if told[0...from].match?(DENIED) || @pieces.include?(word) || sentence.tools.any? { |tool| tool.downcase.match?(name) }

          warning(sentence.place, "uses a #{word} (“#{sentence.short}”) that is not among its tools: name it there.")
        end
      end
    end
  end
end
