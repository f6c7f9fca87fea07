# frozen_string_literal: true

require_relative "../../core"

module Gimlet::Core
  class Doctor
    # Words of direction, read against the stack they stand in: which end a side of a piece looks to.
    #
    #   Facing.new(stack, 2).ends("lips to the manifold") # => [["lips", "from"]] where the stack begins there
    #
    # "In" is towards the bottom of the bore that the pieces go into, "down" is the same and "up" is out. "To the X" is an end of that name, or
    # the side where the piece X lies. What cannot be told says nothing.
    class Facing
      # Sides that a piece opens with: its `opens_to` is where they look. The others lie opposite.
      TURNED = "(?:faces |looks |side |down\\b|up\\b|out|in\\b|first|last|to the|towards the|against the)"
      OPEN = {
        "lips" => /\blips?\b|\bhollow\b(?:\ side)?|\bgarter\ spring\b|
                   \b(?:open|grooved|notched|spring|thick|narrow|sharp|thread|threaded|coupling|deep|ball|pointed|smooth|seal)\ (?:side|end)\b/x,
        "groove" => /\b(?:chamfer|counterbore|deep\ bore|fine\ grooves|slots|front|tab|cut-out)\b|
                     \b(?:O-ring\ groove|groove|O-ring|edge|cup|seal|thread|ball|head)\b(?=\ #{TURNED.gsub(' ', '\ ')})/x,
        "curve" => /\b(?:arched|curved|bevelled) side\b|\bbevel\b/, "seat" => /\b(?:lapped|flat) face\b|\bsealing end\b|\bseat\b(?= #{TURNED})/,
        "legs" => /\blegs\b/, "small" => /\bsmall end\b/
      }.freeze
      SHUT = {
        "back" => /\bmetal back\b|\bclosed (?:top|end|side)\b|\bback\b(?= #{TURNED})/, "taper" => /\btaper\b|\bbase\b/,
        "cage" => /\b(?:cage|nipple)\b(?= #{TURNED})/, "stem" => /\bstem\b/, "flat" => /\bflat(?: side| end)?\b(?! face)/
      }.freeze
      # A flat poppet or plate seats with its flat, and its curve or hollow is its back; on a ring or seal the flat is the back.
      FLAT_OPENS = %w[poppet plate].freeze
      FLAT_SHUT = %w[u_seal cup ring gasket backup lip_seal seat washer].freeze
      SIDES = { **OPEN, **SHUT }.freeze
      # "Under the seat", "on top of the valve".
      BESIDE = /\b(under|below|on top of|above|after)\ (?:the|its)\ ([a-zA-Z-]+(?:\ [a-zA-Z-]+)?)(?!['’])/
      DEEPER = /under|below/
      # In or down, out or up, to the X.
      WAY = /\A(?:\ and\ [a-z-]+\ side)?\W*(?:faces?\ |facing\ |looks?\ |looking\ |turned\ |side\ |end\ )?
             (?:(in|inwards?|down|first)\b(?!\ (?:its|the|a)\ )|(out|outwards?|upwards?|up|last)\b(?!\ of)|
             (?:(?:down|up)\ )?(?:to|towards|into|facing|against)\ the\ ([a-zA-Z\ -]+))/x
      SMALL = %w[of the a it one side end].freeze
      # What an end may be called besides.
      CALLED = { "oil" => %w[crankcase power], "water" => %w[wet] }.freeze

      # @param stack [Catalogue::Stack]
      # @param at [Integer] place of the layer
      def initialize(stack, at)
        @stack = stack
        @at = at
        @layer = stack.layers[at]
      end

      # @param words [String, nil]
      # @return [Array<Array(String, String)>] side that is spoken of, and the end ("from", "towards") that its opening looks to by that
      def ends(words = @layer.facing)
        SIDES.flat_map { |side, pattern| told(words.to_s, pattern).map { |name, rest| [name, looks(side, rest)] } }.select(&:last)
      end

      # Where the piece lies by its words: "under the seat" is deeper in the bore than that, "on top of the valve" nearer its mouth.
      # @return [Array<Array(String, String)>] the words, and the side on which what they name must lie
      def beside(words = @layer.facing)
        inner = @stack.inner or return []
        told(words.to_s, BESIDE).filter_map do |name, _|
          relation, piece = name.match(BESIDE).captures
          [name, DEEPER.match?(relation) ? other(inner) : inner] if by_piece(content(piece.downcase))
        end
      end

      # @return [String, nil] the side on which nothing may lie of a piece that is told to go in first, or to be outermost
      def alone(words = @layer.facing)
        inner = @stack.inner
        case words.to_s
        when /\b(?:in first|first onto|first into the bore)\b/ then inner
        when /\boutermost\b(?! below)/ then other(inner)
        end
      end

      # @return [String, nil] the side where the piece of that name lies, if all of that name lie on one side
      def side_of(name) = by_piece(content(name.downcase))

      OTHER = Catalogue::StackEnds::OTHER

      # @param words [Array<String>]
      # @return [String, nil] the end whose name has more of these words; nil where neither has
      def self.end_called(stack, words)
        shared = OTHER.keys.to_h { |way| [way, (words & content(stack[way])).size] }
        shared.key(shared.values.max) if shared.values.uniq.size == 2
      end

      # "O-rings" are named as each of them is.
      def self.content(name) = name.downcase.scan(/[a-z-]+/).map { |word| word.sub(/(?<=[a-z]{3})s\z/, "") } - SMALL

      private

      # @return [Array<Array(String, String)>] each stretch that the pattern finds, and what follows it
      def told(words, pattern)
        found = words.match(pattern) or return []
        [[found[0], found.post_match], *told(found.post_match, pattern)]
      end

      def looks(side, rest)
        opens = opens?(side)
        way = opens && way(rest)
        opens == :open ? way : other(way)
      end

      def opens?(side)
        flat = FLAT_OPENS.include?(@layer.shape)
        case side
        when "flat" then if flat then :open
                         elsif FLAT_SHUT.include?(@layer.shape) then :shut
                         end
        when "curve" then flat ? :shut : :open
        when "small" then @layer.shape == "poppet" ? :shut : :open
        else OPEN.key?(side) ? :open : :shut
        end
      end

      def other(way) = OTHER[way]

      # "Out, to the gallery" is told by the gallery where it is not known which end is out.
      def way(rest) = said(rest) || said(rest.sub(/\A\W*(?:in|out|up|down)\b/, ""))

      def said(rest)
        inward, outward, name = rest.match(WAY)&.captures
        if inward then @stack.inner
        elsif outward then other(@stack.inner)
        elsif name then named(name.downcase)
        end
      end

      def named(name)
        words = content(name).flat_map { |word| [word, *CALLED.fetch(word, [])] }
        ends = OTHER.keys.any? { |way| content(@stack[way]).intersect?(words) }
        ends ? Facing.end_called(@stack, words) : by_piece(words)
      end

      # The piece whose name ends so, before one that has the words somewhere.
      def by_piece(words)
        others = @stack.layers.each_index.reject { |at| at == @at }
        names = others.to_h { |at| [at, content(@stack.layers[at].name)] }
        places = [names.select { |_, name| name.last(words.size) == words }, names.select { |_, name| (words - name).empty? },
                  names.select { |_, name| name.last == words.last }].find(&:any?).to_h.keys
        side(places) || side(places & [@at - 1, @at + 1])
      end

      # @return [String, nil] where all of these lie on one side; of several the one beside it is meant
      def side(places)
        sides = places.map { |at| at < @at ? "from" : "towards" }.uniq
        sides.first if sides.one?
      end

      def content(name) = Facing.content(name)
    end
  end
end
