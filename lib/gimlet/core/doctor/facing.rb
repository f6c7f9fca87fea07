# frozen_string_literal: true

module Gimlet
  module Core
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
                     \b(?:open|grooved|notched|spring|thick|narrow|small|sharp|thread|threaded|coupling|deep|ball|pointed|smooth|seal)\ (?:side|end)\b/x,
          "groove" => /\b(?:chamfer|counterbore|deep\ bore|fine\ grooves|slots|front|tab|cut-out)\b|
                       \b(?:O-ring\ groove|groove|O-ring|edge|cup|seal|thread|ball)\b(?=\ #{TURNED.gsub(' ', '\ ')})/x,
          "curve" => /\b(?:arched|curved|bevelled) side\b|\bbevel\b/, "seat" => /\b(?:lapped|flat) face\b|\bsealing end\b|\bseat\b(?= #{TURNED})/,
          "legs" => /\blegs\b/
        }.freeze
        SHUT = {
          "back" => /\bmetal back\b|\bclosed (?:top|end|side)\b|\bback\b(?= #{TURNED})/, "taper" => /\btaper\b|\bbase\b/,
          "cage" => /\b(?:cage|nipple)\b(?= #{TURNED})/, "stem" => /\bstem\b/, "flat" => /\bflat(?: side| end)?\b(?! face)/
        }.freeze
        # A flat poppet or plate seats with its flat, and its curve or hollow is its back; on a ring or seal the flat is the back.
        FLAT_OPENS = %w[poppet plate].freeze
        FLAT_SHUT = %w[u_seal cup ring gasket backup lip_seal seat washer].freeze
        SIDES = { **OPEN, **SHUT }.freeze
        # In or down, out or up, to the X.
        WAY = /\A\W*(?:faces\ |looks\ |side\ |end\ )?
               (?:(in|inwards?|down|first)\b(?!\ (?:its|the|a)\ )|(out|outwards?|upwards?|up|last)\b(?!\ of)|
               (?:(?:down|up)\ )?(?:to|towards|into|facing|against)\ the\ ([a-zA-Z\ -]+))/x
        # Ends that close a bore from outside, and ends that are its bottom.
        OUTER = /\b(?:cap|plug|cover|top plate|above)\b/
        BOTTOM = /\bbottom\b|\bbelow\b/
        # A rod is fixed at one end and open at the other: "in" is towards the end it is fixed at.
        FIXED = /\b(?:crankcase|power end|hydraulic end)\b/
        ON_A_ROD = %w[plunger].freeze
        SMALL = %w[of the a its one side end].freeze
        # What an end may be called besides.
        CALLED = { "oil" => %w[crankcase power] }.freeze

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
          words = words.to_s
          SIDES.filter_map do |side, pattern|
            found = words.match(pattern) or next
            opens = opens?(side)
            way = opens && way(found.post_match)
            [found[0], opens == :open ? way : other(way)] if way
          end
        end

        # @return [String, nil] the end that is the bottom of the bore, or where the rod is fixed
        def self.inner(stack)
          ends = { "from" => stack.from.downcase, "towards" => stack.towards.downcase }
          bottom = ends.find { |_, name| name.match?(BOTTOM) } and return bottom.first
          outer = ends.select { |_, name| name.match?(OUTER) }.keys
          return OTHER.fetch(outer.first) if outer.one?

          fixed = ends.select { |_, name| name.match?(FIXED) }.keys
          fixed.first if fixed.one? && stack.layers.any? { |layer| ON_A_ROD.include?(layer.shape) }
        end

        OTHER = { "from" => "towards", "towards" => "from" }.freeze

        private

        def opens?(side)
          flat = FLAT_OPENS.include?(@layer.shape)
          case side
          when "flat" then if flat then :open
                           elsif FLAT_SHUT.include?(@layer.shape) then :shut
                           end
          when "curve" then flat ? :shut : :open
          else OPEN.key?(side) ? :open : :shut
          end
        end

        def other(way) = OTHER[way]

        # "Out, to the gallery" is told by the gallery where it is not known which end is out.
        def way(rest) = said(rest) || said(rest.sub(/\A\W*(?:in|out|up|down)\b/, ""))

        def said(rest)
          inward, outward, name = rest.match(WAY)&.captures
          if inward then Facing.inner(@stack)
          elsif outward then other(Facing.inner(@stack))
          elsif name then named(name.downcase)
          end
        end

        def named(name)
          words = content(name).flat_map { |word| [word, *CALLED.fetch(word, [])] }
          ends = { "from" => @stack.from, "towards" => @stack.towards }.select { |_, end_name| words.intersect?(content(end_name)) }
          return ends.keys.first if ends.one?

          by_piece(words) if ends.empty?
        end

        # Where the piece of that name lies, if all of that name lie on one side.
        def by_piece(words)
          others = @stack.layers.each_index.reject { |at| at == @at }
          places = others.select { |at| (words - content(@stack.layers[at].name)).empty? }
          places = others.select { |at| content(@stack.layers[at].name).last == words.last } if places.empty?
          sides = places.map { |at| at < @at ? "from" : "towards" }.uniq
          sides.first if sides.one?
        end

        def content(name) = name.downcase.scan(/[a-z-]+/) - SMALL
      end
    end
  end
end
