# frozen_string_literal: true

module Gimlet::Core
  module Assembly
    # Hand tools that a sentence names.
    #
    #   HandTools.in("Pry it with a blunt hook, never with a screwdriver.", "") # => { "hook" => /hook/ }
    module HandTools
      # How a sentence calls it => what its name on the list has.
      NAMED = {
        "mallet" => /mallet/, "hammer" => /hammer/, "pliers" => /pliers|collet/, "hook" => /hook/, "screwdriver" => /screwdriver/,
        "punch" => /punch/, "brush" => /brush/, "blade" => /blade/, "drift" => /drift/, "slide hammer" => /slide hammer/, "pick" => /pick/,
        "lever" => /lever|pry bar/, "puller" => /puller/, "socket extension" => /extension/, "wooden rod" => /wooden rod/, "cloth" => /cloth/,
        "vice" => /vice/, "box spanner" => /box spanner/, "guide pins" => /guide pins/, "cone" => /cone/, "driver" => /driver/
      }.freeze
      SAID = NAMED.to_h { |word, _| [word, /\b#{word}s?\b/] }.freeze
      # What follows is a caution against the tool, or is done only where something goes wrong.
      DENIED = /\b(?:never|no|not|nothing|without|whose|if)\b[^;.]*\z/

      module_function

      # @param text [String] one step
      # @param pieces [String] names of the pieces, in lower case: a driver may be one
      # @return [Hash{String=>Regexp}]
      def in(text, pieces)
        spoken = text.downcase
        there = NAMED.select { |word, _| spoken.include?(word) && !pieces.include?(word) }
        clauses = spoken.split(/(?<=[.!?])\s+/)
        there.select { |word, _| clauses.any? { |clause| named?(word, clause) } }
      end

      def named?(word, clause)
        from = clause =~ SAID[word] and !clause[0...from].match?(DENIED)
      end
    end
  end
end
