# frozen_string_literal: true

require_relative "../0_quantities/units"
require_relative "../value"
require_relative "spoken_plate"

module Gimlet
  module Core
    module Readings
      # What one typed line says. `readings` are fields for Reading.from, `unread` the words nothing was made of.
      Heard = Value.of(:readings, :scope, :pumps, :unread)

      # The typing line: what a caller says, as the specialist types it.
      #
      #   Shorthand.new.call("8 bolts, hex 6, 20 mm ceramic").readings.map { |r| r[:trait] }
      #   # => ["head_bolts", "head_bolt_drive", "plunger_material", "plunger_mm"]
      class Shorthand
        NUMBER_WORDS = %w[zero one two three four five six seven eight nine ten eleven twelve].each_with_index.to_h.freeze
        N = %r{(\d+\s+\d+/\d+|\d+/\d+|\d*\.?\d+)}
        LENGTH = /#{N}\s*(mm|mil|inch(?:es)?|in\b|["”])/
        SPAN = /(?:between\s+)?#{N}\s*(?:mm)?\s*(?:-|–|to|and)\s*#{N}\s*(mm|in\b|["”])/
        DRIVE = /(?:(hex|socket)(?:\s+key)?\s*(?:of\s*)?(\d+)|(\d+)\s*(?:mm\s*)?(hex|socket)(?:\s+key)?)/

        # [pattern, trait or traits with how to make the value]; the first that matches takes the words.
        RULES = [
          [%r{\b(?:serial(?:\s+(?:number|no))?|s/?n)\.?\s*(?:is\s*)?(\d+)}, ->(m) { { "serial" => m[1] } }],
          [/#{SPAN}\s*(shaft)?\b/, ->(m) { { (m[4] ? "shaft_mm" : "plunger_mm") => { range: [m[1], m[2]], unit: m[3] } } }],
          [/\b(\d+)\s+(?:white|ceramic)\s+plungers?/, ->(m) { { "cylinders" => m[1], "plunger_material" => "ceramic" } }],
          [/\b(\d+)\s+(?:stainless\s+)?(?:steel|metal)\s+plungers?/,
           ->(m) { { "cylinders" => m[1], "plunger_material" => "steel" } }],
          [/\b(\d+)\s*(?:cylinders?|plungers?|cyl)\b/, ->(m) { { "cylinders" => m[1] } }],
          [/\btriplex\b/, ->(_) { { "cylinders" => "3" } }],
          [/\btwin(?:[\s-]head)?\b/, ->(_) { { "cylinders" => "2" } }],
          [/\b(\d+)\s*(?:head\s*)?(?:bolts|screws)\b/, ->(m) { { "head_bolts" => m[1] } }],
          [/\b(\d+)\s*(?:valve\s*)?caps\b/, ->(m) { { "valve_caps" => m[1] } }],
          [/\bcaps?\b.*?#{DRIVE}|#{DRIVE}[^,]*\bcaps?\b/,
           ->(m) { { "cap_drive" => Shorthand.drive(m.captures.compact) } }],
          [DRIVE, ->(m) { { "head_bolt_drive" => Shorthand.drive(m.captures.compact) } }],
          [/\bshaft\s*(?:is\s*)?#{LENGTH}|#{LENGTH}\s*shaft/,
           ->(m) { { "shaft_mm" => { value: m[1] || m[3], unit: m[2] || m[4] } } }],
          [/\b(left|right)(?:[\s-]hand)?\s+shaft|shaft\s+(?:is\s+)?(?:on\s+)?(?:the\s+)?(left|right)/,
           ->(m) { { "shaft_side" => m[1] || m[2] } }],
          [/\b(hollow|solid)\s+shaft|shaft\s+is\s+(hollow|solid)/, ->(m) { { "shaft_kind" => m[1] || m[2] } }],
          [/#{LENGTH}\s*(?:white\s+)?(ceramic|steel)(?:\s+plungers?)?/,
           ->(m) { { "plunger_mm" => { value: m[1], unit: m[2] }, "plunger_material" => m[3] } }],
          [/plungers?\s*(?:is\s*|are\s*)?#{LENGTH}|#{LENGTH}\s*plungers?/,
           ->(m) { { "plunger_mm" => { value: m[1] || m[3], unit: m[2] || m[4] } } }],
          [/\b(?:white|ceramic)(?:\s+plungers?)?\b/, ->(_) { { "plunger_material" => "ceramic" } }],
          [/\bsteel\s+plungers?\b/, ->(_) { { "plunger_material" => "steel" } }],
          [%r{#{N}\s*(l/min|lpm|litres? a minute|us gpm|gpm)(?:\s+at\s+(\d+)(?:\s*rpm)?)?},
           ->(m) { { "flow_l_min" => { value: m[1], unit: m[2] }, "speed_rpm" => m[3] } }],
          [/#{N}\s*(bar|psi|mpa)\b/, ->(m) { { "pressure_bar" => { value: m[1], unit: m[2] } } }],
          [/(?:\bat\s+)?(\d{3,4})\s*(?:rpm|revs)\b|\bat\s+(\d{3,4})\b/, ->(m) { { "speed_rpm" => m[1] || m[2] } }],
          [/#{N}\s*(kg|kilos?|lbs?)\b/, ->(m) { { "mass_kg" => { value: m[1], unit: m[2] } } }],
          [/\b(brass|alumini?um|stainless)(?:\s+head|\s+manifold)?\b/,
           ->(m) { { "manifold_material" => m[1].sub(/\Aaluminum\z/, "aluminium") } }],
          [/\b(?:sight\s*glass)\s+(?:on\s+|at\s+|in\s+)?(?:the\s+)?(side|rear|front)|\b(side|rear|front)\s+sight\s*glass/,
           ->(m) { { "sight_glass" => m[1] || m[2] } }],
          [/\b(black|grey|blue|green|red|bronze)\s+(?:crankcase|cover)(?:\s+cover)?/, ->(m) { { "cover_colour" => m[1] } }],
          [/\bplungers?\s+(?:held\s+)?(?:by|with)\s+(?:a\s+)?(nut|bolt)/, ->(m) { { "plunger_held_by" => m[1] } }],
          [%r{\b(?:inlet\s+)?(g\s?\d/\d|g\s?1)\s*(?:inlet)?\b},
           ->(m) { { "inlet_port" => m[1].upcase.sub(/\AG\s?/, "G ") } }]
        ].freeze

        SCOPE_RULES = [
          [/\b(?:full|complete|whole)\s+(?:rebuild|overhaul)\b|\beverything\b/,
           %w[inlet_valves discharge_valves packings plungers oil_seals]],
          [/\binlet\s+valves?\b/, %w[inlet_valves]], [/\b(?:discharge|outlet)\s+valves?\b/, %w[discharge_valves]],
          [/\boil\s+seals?\b/, %w[oil_seals]], [/\bvalves?\b/, %w[inlet_valves discharge_valves]],
          [/\b(?:packings?|seals?)\b/, %w[packings]], [/\bplungers?\b/, %w[plungers]], [/\bunloader\b/, %w[unloader]]
        ].freeze

        # Words that say what a size was taken with.
        TOOL = /\b(?:by |with (?:a |the )?)?(eye|tape|rule|caliper)s?\b/
        OLD_NUMBER = /\b(invoice|bag|part|kit)\s+(?:number\s+|no\.?\s+)?([a-z0-9][a-z0-9.\- ]*\d[a-z0-9.\- ]*)/
        PAPER = %w[invoice bag].freeze
        IN_HAND = [
          [OLD_NUMBER, ->(m) { { "part_number" => { value: m[2], observer: PAPER.include?(m[1]) ? "old_invoice" : nil }.compact } }],
          [/\bseal\s*#{N}\s*[x×]\s*#{N}(?:\s*[x×]\s*#{N})?/,
           ->(m) { { "seal_id_mm" => m[1], "seal_od_mm" => m[2], "seal_height_mm" => m[3] } }],
          [/o-?ring\s*#{N}\s*[x×]\s*#{N}/, ->(m) { { "oring_id_mm" => m[1], "oring_section_mm" => m[2] } }],
          [/\bvalve\s*(?:seat\s*)?#{N}\s*(mm|in\b|["”])/, ->(m) { { "valve_od_mm" => { value: m[1], unit: m[2] } } }],
          [/\b(\d+)\s*turns?\b/, ->(m) { { "spring_turns" => m[1] } }],
          [/\b(black|blue|green|red|white|grey|plain|yellow)\s+spring\b/, ->(m) { { "spring_colour" => m[1] } }]
        ].freeze

        FILLER = /\b(?:an?|and|the|with|at|on|in|is|are|has|have|it|its|head|takes?|taking|key|kit|kits|wants?|needs?|what|
                     torques?|new|for|please|of|says?|plate|pump|then|my|number|mm|from|to|about|around|white|plungers?)\b/x

        # @param names [Hash{String=>Array<String>}] "maker" and "series" names to listen for
        def initialize(names = {})
          @names = names
        end

        # @param line [String]
        # @param asked [String, nil] the trait that was asked for: a bare figure answers it
        # @return [Heard]
        def call(line, asked: nil)
          return answer(line.strip, asked) if asked && bare?(line, TRAITS.fetch(asked))

          plate, segments = SpokenPlate.take(line.split(/[,;\n]+/).map(&:strip).reject(&:empty?))
          parts = segments.map { |segment| listen(figures(segment)) }
          readings = parts.flat_map(&:readings)
          readings.unshift({ trait: "plate", value: plate, heard: plate }) if plate
          Heard.new(readings: readings, scope: parts.flat_map(&:scope).uniq, pumps: parts.filter_map(&:pumps).last,
                    unread: parts.flat_map(&:unread))
        end

        # @return [String] "hex 6" however the two were said
        def self.drive(words) = words.partition { |word| word.match?(/[a-z]/) }.flatten.join(" ")

        private

        def bare?(line, trait)
          number, unit = line.strip.sub(TOOL, "").match(/\A#{N}\s*(.*)\z/)&.captures
          case trait.kind
          when :measured, :rated then number && (unit.strip.empty? || Units.symbol(unit))
          when :counted, :serial then number && unit.empty?
          end
        end

        def answer(text, asked)
          tool = text[TOOL, 1]
          fields = { trait: asked, value: text.sub(TOOL, "").strip, heard: text, tool: tool }.compact
          Heard.new(readings: [fields], scope: [], pumps: nil, unread: [])
        end

        def figures(segment)
          segment.downcase.gsub(/\b(?:#{NUMBER_WORDS.keys.join('|')})\b/) { |word| NUMBER_WORDS[word].to_s }
        end

        def listen(segment)
          rest = segment.dup
          pumps = rest.slice!(/\b(\d+)\s+pumps\b/)&.to_i
          tool = rest.slice!(TOOL)&.slice(TOOL, 1)
          unknown = take_unknown(rest)
          readings = unknown + take_names(rest) + (IN_HAND + RULES).flat_map { |pattern, make| take(rest, pattern, make) }
          readings.each { |fields| fields[:tool] = tool } if tool
          scope = SCOPE_RULES.flat_map { |pattern, areas| rest.sub!(pattern, " ") ? areas : [] }
          Heard.new(readings: readings, scope: scope, pumps: pumps, unread: leftover(rest))
        end

        def take(rest, pattern, make)
          match = rest.match(pattern) or return []
          rest.sub!(match[0], " ")
          make.call(match).compact.map do |trait, told|
            { trait: trait, heard: match[0].strip }.merge(told.is_a?(Hash) ? told : { value: told })
          end
        end

        def take_names(rest)
          @names.flat_map do |trait, names|
            name = names.find { |one| rest.match?(/\b#{Regexp.escape(one.downcase)}\b/) } or next []
            rest.sub!(/\b#{Regexp.escape(name.downcase)}\b/, " ")
            [{ trait: trait, value: name, heard: name }]
          end
        end

        def take_unknown(rest)
          match = rest.match(/\b(?:not sure|don'?t know)(?:\s+(?:about|of))?(?:\s+the)?\s+(.+)/) or return []
          trait = TRAITS.values.select { |one| match[1].strip.start_with?(one.name) }.max_by { |one| one.name.size } or return []
          rest.sub!(match[0], " ")
          [{ trait: trait.id, unknown: true, heard: match[0] }]
        end

        def leftover(rest)
          words = rest.gsub(FILLER, " ").gsub(/[^\p{L}\p{N}?]+/, " ").strip
          words.empty? ? [] : [words.squeeze(" ")]
        end
      end
    end
  end
end
