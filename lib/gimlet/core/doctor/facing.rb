# frozen_string_literal: true

module Gimlet
  module Core
    class Doctor
      # Words of direction, read against the stack they stand in: which end a side of a piece looks to.
      #
      #   Facing.new(stack, 2).ends # => [["lips", "from"]], of "lips to the manifold" where the stack begins there
      #
      # "In" is towards the bottom of the bore that the pieces go into, "down" is the same and "up" is out. "To the X" is an end of that name, or
      # the side where the piece X lies. What cannot be told says nothing.
      class Facing
        # Sides that a piece opens with: its `opens_to` is where they look. The others lie opposite.
        TURNED = "(?:faces |down|up|out|in\\b|to the)"
        OPEN = {
          "lips" => /\blips?\b|\b(?:hollow|open|grooved|spring|thick) (?:side|end)\b|\bhollow\b|\bgarter spring\b/,
          "curve" => /\b(?:arched|curved) side\b/, "seat" => /\b(?:lapped|flat) face\b|\bsealing end\b|\bseat\b(?= #{TURNED})/, "legs" => /\blegs\b/
        }.freeze
        SHUT = {
          "back" => /\bmetal back\b|\bclosed (?:top|end|side)\b/, "taper" => /\btaper\b|\bbase\b/, "cage" => /\bcage\b(?= #{TURNED})/,
          "flat" => /\bflat(?: side)?\b(?! face)/
        }.freeze
        # A flat poppet or plate seats with its flat; on a seal it is the back.
        FLAT_OPENS = %w[poppet].freeze
        FLAT_SHUT = %w[u_seal cup].freeze
        SIDES = { **OPEN, **SHUT }.freeze
        # In or down, out or up, to the X.
        WAY = /\A\W*(?:faces\ |looks\ |side\ |end\ )?
               (?:(in|inwards?|down)\b(?!\ (?:its|the|a)\ )|(out|outwards?|up)\b(?!\ of)|
               (?:(?:down|up)\ )?(?:to|towards|into|facing)\ the\ ([a-z\ -]+))/x
        # Ends that close a bore from outside, and ends that are its bottom.
        OUTER = /\b(?:cap|plug|cover|top plate)\b/
        BOTTOM = /\bbottom\b/
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

        # @return [Array<Array(String, String)>] side that is spoken of, and the end ("from", "towards") that its opening looks to by that
        def ends
          words = @layer.facing.to_s.downcase
          SIDES.filter_map do |side, pattern|
            found = words.match(pattern) or next
            opens = opens?(side)
            way = opens && way(found.post_match)
            [side, opens == :open ? way : other(way)] if way
          end
        end

        private

        def opens?(side)
          return :open if OPEN.key?(side)
          return :shut unless side == "flat"

          if FLAT_OPENS.include?(@layer.shape) then :open
          elsif FLAT_SHUT.include?(@layer.shape) then :shut
          end
        end

        def other(way) = way == "from" ? "towards" : "from"

        def way(rest)
          inward, outward, name = rest.match(WAY)&.captures
          if inward then inner
          elsif outward then inner && other(inner)
          elsif name then named(name)
          end
        end

        # @return [String, nil] the end that is the bottom of the bore
        def inner
          ends = { "from" => @stack.from.downcase, "towards" => @stack.towards.downcase }
          bottom = ends.find { |_, name| name.match?(BOTTOM) } and return bottom.first
          outer = ends.select { |_, name| name.match?(OUTER) }
          other(outer.keys.first) if outer.one?
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
