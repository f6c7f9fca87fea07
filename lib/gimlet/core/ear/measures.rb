# frozen_string_literal: true

require "strscan"
require_relative "dash_number"
require_relative "../0_quantities/celsius"
require_relative "../plain"
require_relative "../0_quantities/units"
require_relative "parse_result"

module Gimlet
  module Core
    module Ear
      # Measurements that the bench works on, picked out of a line before the rest is heard: a bucket and a watch, a ring by its sizes, a dash
      # number as it is spoken.
      #
      #   Measures.call("bucket 20 litres in 85 seconds, nozzle 045, 140 bar").first.first.measure
      #   # => { "what" => "flow", "measure" => { "bucket" => { "litres" => "20", "seconds" => "85", "nozzle" => "045", "pressure" => "140 bar" } } }
      module Measures
        NUMBER = /\d+(?:[.,]\d+)?/
        # From the word to the end of its sentence; how much of that is about the bucket is seen piece by piece.
        BUCKET = /(?:#{NUMBER}\s*(?:l|litres?|liters?|gal(?:lon)?s?)\s+)?\bbucket\b(?:[^.;\n]|(?<=\d)\.(?=\d))*/i
        LITRES = /(#{NUMBER})\s*(?:l|litres?|liters?|ltrs?)\b/i
        GALLONS = /(#{NUMBER})\s*(?:us )?gal(?:lons?|s)?\b/i
        MINUTES = /(#{NUMBER}|an?|one)\s*min(?:ute)?s?\b(?:\s*(?:and\s*)?(#{NUMBER})\s*(?:s|secs?|seconds?)?\b)?/i
        SECONDS = /(#{NUMBER})\s*(?:s|secs?|seconds?)\b/i
        NOZZLE = /\bnozzle\s*(?:size|number|no\.?|#)?\s*(\d[\d.-]*)|(\b\d[\d.]*)\s*nozzle\b/i
        PRESSURE = /(#{NUMBER})\s*(bar|psi|mpa)\b/i
        INSTEAD = /(?:instead of|rather than|not|and should be|should be|of)\s*(#{NUMBER})(?:\s*rpm)?/i
        TURNS = /(#{NUMBER})\s*(?:rpm|turns a minute|revs)\b(?:\s*#{INSTEAD})?/i
        FEED = /\b(?:feed|supply|tap|inlet)\b[^,\d]*(#{NUMBER})\s*(gpm)?/i
        RATED = /\b(?:rated|should give|ought to give|nominal)\b[^,\d]*(#{NUMBER})\s*(gpm)?/i
        A_MINUTE = %r{(?:lpm|l(?:itres?|iters?)?|gpm)?\s*(?:(?:/|a|per)\s*min(?:ute)?)?}i
        SPENT = /\b(?:in|takes?|took)\s+(?:about\s+|just\s+|only\s+)?#{MINUTES}/i
        FIGURE = /#{LITRES}|#{GALLONS}|#{SPENT}|#{SECONDS}|#{NOZZLE}|#{PRESSURE}|#{TURNS}|(?:#{FEED}|#{RATED})#{A_MINUTE}/i
        # Words that say nothing between them.
        FILLING = /\s+|(?:and|with|an?|at|the|shaft|pump|it|turns|runs|on|in|of|gun|lance|gauge|bucket)\b/i
        SIZE = %r{((?:\d+\s+)?\d+/\d+|\d+(?:[.,]\d+)?)\s*(mm|in(?:ch(?:es)?)?|")?}i
        # Rings of a packing or a shaft are no O-rings.
        OTHER_RINGS = /\b(?:piston|head|support|back ?-?up|snap|retaining|split|hard|wear|clip)[ -]\z/i
        RING = /\b(?:(old|used|worn|swollen|flat)\s+)?(?:o[- ]?)?ring\s+(?:is\s+|of\s+)?#{SIZE}\s*(?:by|x|×)\s*#{SIZE}(?:\s*(?:by|x|×)\s*#{SIZE})?/i
        # A second size that is so much smaller than the first is the section, not the outer diameter.
        SECTION_AT_MOST = Rational(4, 10)
        # What is pumped, in the words of callers => its id in data/reference/elastomers.yml.
        MEDIA = { "sea\\s?water|salt\\s?water|brine" => "sea_water", "diesel|heating\\soil|fuel\\soil" => "diesel", "petrol|gasoline" => "petrol",
                  "(?:hydraulic|mineral|cutting)\\soil" => "mineral_oil", "vinegar|acetic\\sacid|cider" => "acetic_acid",
                  "antifreeze|anti-freeze|glycol" => "glycol", "brake\\sfluid" => "brake_fluid", "bleach|chlorine|hypochlorite" => "hypochlorite",
                  "detergent|caustic|alkaline\\swash|soap" => "alkaline_wash", "steam" => "steam",
                  "(?:(?:hot|warm|cold|fresh|tap)\\s)?water" => "water" }.freeze
        DEGREES = /(\d{1,3})\s*(?:(?:°|deg(?:rees?|s)?)\s*(c|f|celsius|fahrenheit)?|(c|f))(?![a-z])/i
        MEDIUM = /\b(?:pump(?:s|ing)|moves|handles|runs\s(?:on|with))\s+(#{MEDIA.keys.join('|')})\b
                  (?:\s*(?:at|of|up\sto|,)?\s*#{DEGREES})?/xi
        HOT = /\b(?:hot |warm )?water\s+(?:at|of|is|up to)?\s*#{DEGREES}/i
        LIP = { "seal_id_mm" => "inner_mm", "seal_od_mm" => "outer_mm", "seal_height_mm" => "height_mm" }.freeze
        GALLON_L = Units::GALLON_L.to_f

        module_function

        # @param line [String]
        # @return [Array(Array<Item>, String)] what was measured, and the line with that taken out
        def call(line)
          items = []
          rest = [[BUCKET, :bucket], [MEDIUM, :medium], [HOT, :hot], [RING, :ring],
                  [DashNumber::DIGITS, :dash], [DashNumber::SPOKEN, :spoken]].reduce(line) do |left, (pattern, reader)|
            left.gsub(pattern) do |words|
              match = Regexp.last_match
              measure, length = send(reader, match)
              next words unless measure

              length ||= words.size
              items << Item.new(measure: measure, readings: readings(measure), from: match.begin(0), to: match.begin(0) + length)
              ",".ljust(length) + words[length..]
            end
          end
          [items, rest]
        end

        # A seal's sizes that stand together in a line are readings, and a measure too.
        # @param items [Array<Item>] as the grammar has them
        # @return [Array<Item>]
        def lips(items)
          items.group_by { |item| [item.from, item.to] }.flat_map do |_, same|
            sizes = same.flat_map { |one| one.readings || [] }.select { |one| LIP.key?(one[:trait]) && one[:value].is_a?(Numeric) }
            next same unless sizes.size >= 2

            told = sizes.to_h { |size| [LIP[size[:trait]], "#{size[:value].to_f.round(4)} #{size[:unit] || 'mm'}"] }
            tool = sizes.filter_map { |size| size[:tool] }.first
            [same.first.with(measure: { "what" => "seal", "measure" => { "kind" => "lip", **told, "tool" => tool }.compact }), *same.drop(1)]
          end
        end

        # @return [Array(Hash, Integer), nil] the measure, and how many characters speak of it
        def bucket(match)
          text = about_it(match[0])
          litres = text[LITRES, 1] || text[GALLONS, 1]&.then { |told| (told.tr(",", ".").to_f * GALLON_L).round(2).to_s }
          seconds = seconds(text)
          return unless litres && seconds

          pressure = text[PRESSURE, 1] && "#{text[PRESSURE, 1]} #{text[PRESSURE, 2]}"
          told = { "litres" => litres, "seconds" => seconds, "nozzle" => text[NOZZLE, 1] || text[NOZZLE, 2], "pressure" => pressure,
                   "turns" => text[TURNS, 1], "rated_turns" => text[TURNS, 2], "supply" => flow(text, FEED), "rated" => flow(text, RATED) }
          [{ "what" => "flow", "measure" => { "bucket" => told.compact } }, text.size]
        end

        # Figure by figure, each looked at once: a piece of a long sentence takes no longer than it is long.
        def about_nothing_else?(piece)
          scanner = StringScanner.new(piece)
          figures = 0
          until scanner.eos?
            next if scanner.skip(FILLING)

            scanner.skip(FIGURE) ? figures += 1 : (return false)
          end
          figures.positive?
        end

        def flow(text, pattern) = text[pattern, 1] && [text[pattern, 1], text[pattern, 2]].compact.join(" ")

        # The bucket's own piece as far as figures go, then the pieces that are about nothing else.
        def about_it(sentence)
          own, *others = sentence.split(/(?<=,)(?!\d)/)
          more = others.take_while { |piece| about_nothing_else?(piece.delete_suffix(",")) }
          return [own, *more].join.delete_suffix(",") if more.any?

          ends = [LITRES, GALLONS, SPENT, SECONDS, NOZZLE, PRESSURE, TURNS, FEED, RATED, /\bbucket\b/i].filter_map { |one| own.match(one)&.end(0) }
          own[0, ends.max]
        end

        # "in a minute and 10"; a minute that litres come in is none of it.
        def seconds(text)
          match = text.match(SPENT) or return text[SECONDS, 1]
          minutes = match[1].match?(/\d/) ? match[1].tr(",", ".").to_f : 1.0
          ((minutes * 60) + match[2].to_s.tr(",", ".").to_f).then { |told| Plain.number(told) }
        end

        def ring(match)
          return if match.pre_match.match?(OTHER_RINGS)

          old, *told = match.captures
          sizes = told.each_slice(2).filter_map { |size, unit| size && [size, unit] }
          unit = sizes.filter_map(&:last).last
          sizes = sizes.map { |size, own| [size, own || unit].compact.join(" ") }
          inner, second, third = sizes
          names = if third
                    %w[inner_mm outer_mm section_mm]
                  else
                    ["inner_mm", value(second) < value(inner) * SECTION_AT_MOST ? "section_mm" : "outer_mm"]
                  end
          { "what" => "seal", "measure" => { **names.zip([inner, second, third]).to_h, "old" => (true if old) }.compact }
        end

        # A ring's sizes are readings of the part that it came from.
        # @return [Array<Hash>, nil] fields for Readings::Reading.from
        def readings(measure)
          inner, outer, section = measure["measure"].values_at("inner_mm", "outer_mm", "section_mm") if measure["what"] == "seal"
          return unless inner

          thick = section ? value(section) : (value(outer) - value(inner)) / 2
          [["oring_id_mm", value(inner)], ["oring_section_mm", thick]].select { |_, size| size.positive? }
                                                                      .map { |trait, size| { trait: trait, value: size, unit: unit_of(inner) } }
        end

        def unit_of(size) = size.match?(/in|"/i) ? "in" : "mm"

        def value(size) = size.split.sum { |one| one.match?(/\d/) ? Rational(one.tr(",", ".")) : 0 }

        def medium(match)
          told, *heat = match.captures
          id = MEDIA.find { |words, _| told.match?(/\A(?:#{words})\z/i) }.last
          { "what" => "service", "measure" => { "medium" => id, "temperature_c" => celsius(*heat) }.compact }
        end

        def hot(match) = { "what" => "service", "measure" => { "medium" => "water", "temperature_c" => celsius(*match.captures) } }

        def celsius(degrees, *unit)
          degrees && Celsius.of(degrees.to_i, unit.compact.first)
        end

        def dash(match) = { "what" => "seal", "measure" => { "dash" => match[1] } }

        def spoken(match) = DashNumber.spoken(match)&.then { |dash| { "what" => "seal", "measure" => { "dash" => dash } } }
      end
    end
  end
end
