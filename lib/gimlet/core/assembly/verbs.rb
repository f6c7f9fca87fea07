# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Assembly
    # What a hand does with more than itself, and with what. Common practice, no source.
    #
    #   Verbs.in("Pull the oil seals, press new ones in by hand.").map(&:id) # => ["draw"]
    module Verbs
      # `said` is how a sentence says it, `means` what the name of a tool for it has; `usual` is what the trade takes where the sheet names nothing,
      # nil where that cannot be said without knowing the piece. `does` is how it is asked where there is no usual
      # one: what "draws" it.
      Verb = Value.of(:id, :said, :means, :usual, :does)

      BY_HAND = /\bby (?:hand|thumbs?|finger)|thumbs?\b|fingers?\b|\bhands?\b|by turning|turn the shaft|shaft is turned|pushing it/i
      # Not done, or done only where something else goes wrong.
      DENIED = /\b(?:never|no|not|nothing|without|instead of|do not|survives?|because|says? that)\b[^;.:]*\z/i
      # Of a bolt, a seal or a spring at work, not of a hand.
      AT_WORK = /\b(?:spring|pressure|water|it) \z/i

      TABLE = {
        "draw" => { said: /\b(?:pull(?:s|ed)?|draw(?:s|n)?)\b(?! (?:up|alternately|first|tight))/i, does: "draws",
                    means: /puller|slide\ hammer|collet|hook\b(?!\ spanner)|pliers|pusher|\bpins?\b|\btool\b|claw|extension\ rod|
                            long\ (?:bolts|ones)|bolts?\ screwed|an?\ M\d+\ bolt|opposite\ bolts/ix },
        "pry" => { said: /\b(?:pr(?:y|ies|ied|ised?)|lever(?:s|ed|ing)?(?= (?:even|it|the)))\b/i,
                   means: /lever|pry bar|screwdriver|blade|hook\b(?! spanner)|pick\b|pliers/i, usual: "small blunt blade" },
        "press" => { said: /\bpress(?:es|ed)?\b(?! ring)/i, does: "presses",
                     means: /press\b|\bdriver|socket|rod\b|collar|tube|extension|tool|cone|sleeve|drift\b/i },
        "drive" => { said: /\b(?:drives?|driven|drift(?:s|ed)?(?= (?:the|it|them|out)\b)|bump(?:s|ed)?|knock(?:s|ed)?)\b(?! (?:pin|end|side))/i,
                     does: "drives",
                     means: /hammer|mallet|drift\b|\bdriver|collar|tube|rod\b|pusher|adapter|tool/i },
        "tap" => { said: /\btap(?:s|ped)?\b/i, means: /hammer|mallet|\bdriver|collar/i, usual: "mallet, soft" },
        "cut" => { said: /\bcut(?:s)?\b(?!-out)(?= |\.)/i, means: /blade|knife/i, usual: "sharp blade" },
        "hook" => { said: /\bhook(?:s|ed)?\b(?= (?:it|the|them|out|off))/i, means: /hook\b(?! spanner)|pick\b/i, usual: "blunt hook" },
        "brush" => { said: /\bbrush(?:es|ed)?\b/i, means: /brush/i, usual: "wire brush" },
        "blow" => { said: /\bblow\b/i, means: /\bair\b/i, usual: "air line with a blow gun" },
        "wipe" => { said: /\b(?:wip(?:e|es|ed)|wash(?:ed)?)\b/i, means: /cloth|\brag\b/i, usual: "clean cloth" },
        "drain" => { said: /\bdrain(?:s|ed)?\b/i, means: /\b(?:pan|tray|tub)\b/i, usual: "drain pan" },
        "warm" => { said: /\bwarm\b/i, means: /hot.air|heat/i, usual: "hot-air gun" },
        "lap" => { said: /\blap(?:ped)?\b(?! face)|\blapping\b/i, does: "laps", means: /block|plate|paper/i },
        "light" => { said: /\b(?:under a|good) light\b/i, means: /\b(?:lamp|light)\b/i, usual: "lamp" }
      }.freeze
      ALL = TABLE.map { |id, row| Verb.new(id: id, **row) }.freeze

      module_function

      # @param text [String] what one step says
      # @return [Array<Verb>] that it takes more than a hand for
      def in(text)
        there = ALL.select { |verb| text.match?(verb.said) }
        clauses = there.empty? ? [] : text.split(/(?<=[.;:!?])\s+/)
        there.select { |verb| clauses.any? { |clause| asks?(verb, clause) } }
      end

      def asks?(verb, clause)
        from = clause =~ verb.said or return false
        before = clause[0...from]
        !before.match?(DENIED) && !before.match?(AT_WORK) && !clause.match?(BY_HAND)
      end
    end
  end
end
