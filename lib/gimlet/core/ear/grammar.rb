# frozen_string_literal: true

require_relative "../2_readings/vocabulary"
require_relative "heard"
require_relative "nouns"
require_relative "spoken_plate"

module Gimlet
  module Core
    module Ear
      # From the pieces of a line to what it says: figures and values with their nouns, clause by clause; what is left over may be the
      # answer to the open question; what is still left was not heard.
      class Grammar
        # So many pieces on either side may belong to a word.
        REACH = 12

        NEEDS = %w[want wanted need needed needing change replace renew new fit].freeze

        # @param asked [Readings::Trait, nil]
        def initialize(vocabulary, names, complaints, line, asked)
          @vocabulary = vocabulary
          @names = names
          @complaints = complaints
          @line = line
          @asked = asked
          @items = []
        end

        # @param pieces [Array<Piece>]
        # @return [Heard]
        def call(pieces)
          @hedged, @tool, @paper = hedged?(pieces), said_tool(pieces), false
          plate(pieces)
          answer_alone(pieces)
          pieces.slice_when { |one, _| one.separator? }.each { |clause| hear(clause.reject(&:separator?)) }
          @hedged, @tool, @paper = hedged?(pieces), said_tool(pieces), false
          answer_parts(pieces)
          Heard.new(items: @items.sort_by(&:from).freeze, unheard: unheard(pieces).freeze)
        end

        private

        # --- the clause ---

        def hear(clause)
          return if clause.empty?

          @hedged, @tool, @paper = hedged?(clause), said_tool(clause), clause.any? { |piece| piece.says(:papers) }
          complain(clause)
          numbers(clause)
          serial(clause)
          not_known(clause)
          damage(clause)
          attach(clause)
          denials_of_nouns(clause)
          pumps(clause)
          standing_alone(clause)
          work(clause)
          wishes(clause)
          @topic = clause.reverse.find(&:noun?) || @topic
        end

        def open(clause) = clause.reject(&:used)
        def trait(id) = @vocabulary.trait(id)

        # @param pieces [Array<Piece>] they are used up
        # @param clause [Array<Piece>] whose small words colour the reading
        def reading(trait, told, pieces, clause)
          denied = denial(pieces, clause)
          pieces = [*pieces, denied].compact
          fields = { trait: trait.id, **told, **colour(trait), denied: denied && true, heard: words(pieces) }
          note(pieces, readings: [fields.compact])
        end

        # Doubt and tool are said once for a clause.
        def colour(trait)
          { hedged: @hedged, tool: (@tool if trait.kind == "measured"), observer: ("old_invoice" if @paper && trait.kind == "number") }
        end

        def hedged?(pieces) = pieces.any? { |piece| piece.says(:hedge) } || nil
        def said_tool(pieces) = pieces.filter_map { |piece| piece.says(:tool) }.first

        # Pieces before and after one in its clause, the nearest first.
        def before(clause, piece) = clause[[at(clause, piece) - REACH, 0].max...at(clause, piece)].reverse
        def after(clause, piece) = clause[at(clause, piece) + 1, REACH]
        def at(clause, piece) = piece.place - clause.first.place

        # "not brass", "isn't the left side"
        def denial(pieces, clause)
          return if clause.empty?

          before = before(clause, pieces.first).find { |piece| !(piece.says(:filler) || piece.mark?) }
          # "four, no, eight bolts" puts it right.
          return if before&.norm == "no" && pieces.first.figure

          before if before&.says(:not) && !before.used && pieces.any? { |piece| piece.values.any? } && pieces.none? do |piece|
            piece.says(:not)
          end
        end

        def note(pieces, **said)
          pieces.each { |piece| piece.used = true }
          @items << Item.new(**said, from: pieces.map(&:from).min, to: pieces.map(&:to).max)
        end

        def words(pieces) = @line[pieces.map(&:from).min...pieces.map(&:to).max]

        # --- what is wrong with the pump ---

        def complain(clause)
          @wrong = []
          while (id, pieces = @complaints.find(open(clause).reject { |piece| piece.unit || piece.name || @denied&.include?(piece) })) && id
            complaint(clause, id, pieces)
          end
          observed(clause)
        end

        # "only getting 100 bar" is no rating but a complaint, "10 bar inlet pressure" is neither.
        def observed(clause)
          low = open(clause).find { |piece| %i[pressure flow].include?(Units::KIND_OF[piece.unit]) } or return
          if (seen = open(clause).find { |piece| piece.says(:observed) })
            note([seen, low], complaint: Units::KIND_OF[low.unit] == :flow ? "no_flow" : "pressure_loss")
          elsif clause.any? { |piece| piece.says(:elsewhere) }
            low.alien = "That is not the pump's own rating."
          end
        end

        def complaint(clause, id, pieces)
          # "no leaks" is no complaint, but "no pressure" is.
          no = open(clause).find { |piece| piece.says(:not) && pieces.none?(piece) && piece.from < pieces.map(&:from).min }
          return @denied = [*@denied, *pieces] if no

          note(pieces, complaint: id)
          @wrong += pieces
          # Nouns beside a complaint say where it is and when; they are no order for work.
          open(clause).each do |piece|
            beside = (piece.noun? || piece.areas.any?) && !counted?(clause, piece) && !needed?(clause, piece)
            piece.used = true if beside || @complaints.word?(id, piece.norm)
          end
        end

        def counted?(clause, noun)
          count = clause.find { |piece| piece.figure && piece.from < noun.from } or return false
          every?(clause, count) || clause.none? { |piece| piece.says(:damage) }
        end

        def needed?(clause, piece)
          clause.any? { |one| NEEDS.include?(one.norm) && one.from < piece.from }
        end

        # "two bolts snapped", "one plunger cracked", "only found one seal": some, not all of them.
        def damage(clause)
          worst = open(clause).find { |piece| piece.says(:damage) } || clause.find do |piece|
            piece.says(:damage) && @wrong&.include?(piece)
          end
          return if worst.nil? || @denied&.include?(worst) || denied_before?(clause, worst)

          some = clause.select { |piece| piece.whole? && !piece.used && piece.key.nil? }
          some = some.reject { |piece| every?(clause, piece) }
          return if @wrong&.include?(worst) && some.empty?

          nearest = some.select { |piece| piece.from < worst.from }.max_by(&:from) || some.min_by(&:from)
          nearest = some.first if some.size == 2 && before(clause, some.last).first.says(:some)
          context = open(clause).select do |piece|
            (piece.noun? || piece.areas.any?) && !counted_by_other?(clause, piece, nearest) && !needed?(clause, piece)
          end
          note([worst, *nearest, *context].uniq, complaint: "damage")
        end

        # "nothing cracked", "no bolts missing"
        def denied_before?(clause, piece) = open(clause).any? { |one| one != piece && one.says(:not) && one.from < piece.from }

        def every?(clause, piece)
          before(clause, piece).first&.says(:every)
        end

        # The noun of a figure that is not the damaged one: "8 bolts two snapped".
        def counted_by_other?(clause, noun, damaged)
          before = before(clause, noun).find { |piece| piece.figure || piece.noun? }
          before && before != damaged && !before.figure.nil?
        end

        # --- numbers, serials, plates ---

        def numbers(clause)
          clause.each_with_index do |piece, at|
            next if piece.used

            if piece.name then named(piece, clause)
            elsif piece.says(:ends) || piece.says(:starts) then partial(clause, at)
            elsif piece.chunk then near(piece, clause)
            elsif piece.nouns.include?("part_number") then quoted(clause, at)
            elsif short?(piece) then apart(clause, at)
            end
          end
        end

        def named(piece, clause)
          id, value = piece.name
          return if one_of_two?(clause, piece, id)

          paper = before(clause, piece).find { |one| one.nouns.include?("part_number") }
          reading(trait(id), { value: value }, [piece, *(paper unless paper&.used)], clause)
        end

        # "TK4L20 or TK4R20"
        def one_of_two?(clause, piece, id)
          [before(clause, piece), after(clause, piece)].any? { |near| near.first&.norm == "or" && near[1]&.name&.first == id }
        end

        # A text one slip away from a name of the catalogue is read as it was typed.
        def near(piece, clause)
          id = @names.near(piece.chunk)
          id ||= "part_number" if clause.any? { |one| one.nouns.include?("part_number") }
          reading(trait(id), { value: piece.chunk }, [piece], clause) if id
        end

        # "PW K42": a name with a gap in it, and slightly wrong.
        def apart(clause, at)
          run = clause[at, 4].take_while { |one| !one.used && !one.unit && (one.chunk || one.figure || short?(one)) }
          run.pop while run.any? && run.none? { |one| one.chunk || one.figure }
          return if run.size < 2 || run.none? { |one| one.chunk || one.figure }

          id = @names.near(words(run).delete(" ")) or return
          reading(trait(id), { value: words(run) }, run, clause)
        end

        # "kit ends in 120"
        def partial(clause, at)
          text = text_after(clause, at + 1) or return
          noun = before(clause, clause[at]).find { |piece| piece.nouns.intersect?(%w[part_number plate serial]) }
          return if noun&.nouns&.include?("serial")

          id = noun&.nouns&.include?("plate") ? "plate" : "part_number"
          ending = clause[at].says(:ends)
          value = ending ? "*#{text.first}" : "#{text.first}*"
          reading(trait(id), { value: value }, [*noun, clause[at], *text.last], clause)
        end

        # "invoice DB KIT 120": a number that the catalogue does not have is still a number.
        def quoted(clause, at)
          pieces = clause[at + 1, REACH].drop_while { |one| one.nouns.include?("part_number") || one.says(:filler) }
          return if pieces.first&.says(:ends) || pieces.first&.says(:starts)

          run = pieces.take_while { |one| !one.used && !one.unit && (one.figure || one.chunk || one.mark? || short?(one)) }
          run.pop while run.last&.mark?
          text = run.any? ? words(run) : nil
          return unless text&.match?(/\d/) && text.count("A-Za-z0-9") >= 3

          reading(trait("part_number"), { value: text }, [clause[at], *run], clause)
        end

        def short?(piece) = piece.tokens.all? { |token| token.word? && token.text.size <= 5 } && !piece.idle? && piece.areas.empty?

        def text_after(clause, at)
          run = clause[at, REACH].drop_while { |piece| piece.says(:filler) && !piece.figure }
                                 .take_while { |piece| piece.figure || piece.chunk || (short?(piece) && !piece.noun?) }
          [words(run).delete(" "), run] if run.any?
        end

        def serial(clause)
          at = clause.index { |piece| !piece.used && piece.nouns.include?("serial") } or return
          run = clause[at + 1, REACH].drop_while { |piece| piece.says(:filler) || piece.mark? || piece.says(:hedge) }
                                     .take_while { |piece| piece.digits && piece.unit.nil? }
          return if run.empty?

          reading(trait("serial"), { value: run.map(&:digits).join }, [clause[at], *run], clause)
        end

        def plate(pieces)
          text, used = SpokenPlate.take(pieces, @asked&.kind == "plate") { |run| words(run) }
          reading(trait("plate"), { value: text }, used, []) if text
        end

        # "not sure about the shaft side", "no plate", "plate is worn off"
        def not_known(clause)
          small = open(clause).find { |piece| piece.says(:unsure) || piece.says(:absent) } or return
          noun = open(clause).find { |piece| piece.noun? && piece != small && clause.none? { |one| one.figure && !one.used } } or return
          ids = small.says(:unsure) ? [asked_or_first(noun)] : (noun.nouns & %w[plate serial maker series part_number]).first(1)
          return if ids.empty?

          note([small, noun], readings: ids.map { |id| { trait: id, unknown: true, heard: words([small, noun]) } })
        end

        def asked_or_first(noun) = noun.nouns.include?(@asked&.id) ? @asked.id : noun.nouns.first

        # --- figures and values with their nouns ---

        def attach(clause)
          Nouns.new(@vocabulary, clause, @asked, @topic).pairs.each { |trait, told, pieces| reading(trait, told, pieces, clause) }
        end

        # "no caps", "no sight glass", "no plate"
        def denials_of_nouns(clause)
          open(clause).each_cons(2) do |small, noun|
            next unless small.says(:not) && noun.noun? && !noun.used

            nothing(noun).then { |fields| note([small, noun], readings: [{ **fields, heard: words([small, noun]) }]) if fields }
          end
        end

        def nothing(noun)
          traits = noun.nouns.map { |id| trait(id) }
          if (none = traits.find { |one| one.values.key?("none") }) then { trait: none.id, value: "none" }
          elsif (named = traits.find { |one| %w[plate serial number].include?(one.kind) || (one.kind == "chosen" && one.values.empty?) })
            { trait: named.id, unknown: true }
          elsif (count = traits.find(&:optional)) then { trait: count.id, value: 0 }
          end
        end

        def pumps(clause)
          open(clause).each_cons(2) do |count, noun|
            next unless count.whole? && count.figure.between?(1, 99) && (noun.says(:pumps) || noun.says(:sets))

            note([count, noun], pumps: count.figure.to_i)
          end
        end

        # Ratings by their unit, values and keys that need no noun.
        def standing_alone(clause)
          open(clause).each do |piece|
            trait = alone_trait(piece, clause) or next
            told = trait.way.hear(trait, piece)
            reading(trait, told, [piece], clause) if told
          end
        end

        def alone_trait(piece, clause)
          return if @asked&.way&.hear(@asked, piece) && piece.unit.nil?

          return if piece.alien

          kind = Units::KIND_OF[piece.unit]
          return @vocabulary.traits.values.find { |one| one.alone_unit == kind.to_s } if kind
          return trait("head_bolt_drive") if piece.key && piece.size
          return @vocabulary.traits.values.find { |one| one.kind == "threaded" } if piece.thread && piece.figure
          return (trait(piece.alone.first) unless of_something_else?(piece, clause)) if piece.alone.any?

          lonely(piece, clause)
        end

        # "brass ring", "hollow sound": said of what comes next.
        def of_something_else?(piece, clause)
          following = after(clause, piece).first or return false
          !(following.used || following.idle? || following.figure || following.key || following.says(:pumps) || following.values.any? ||
            following.says(:not) || following.says(:unsure))
        end

        # A value that is all there is in its clause, and belongs to one trait that is seen from outside.
        def lonely(piece, clause)
          return if piece.values.empty? || clause.size > REACH || open(clause).any? do |one|
            one != piece && !one.idle? && !one.says(:not) && !one.says(:pumps)
          end

          outside = piece.values.keys.map { |id| trait(id) }.select { |one| %w[manifold_material cover_colour].include?(one.id) }
          outside.first if outside.one? && clause.none?(&:used)
        end

        # --- work and wishes ---

        def work(clause)
          # "plungers are fine", "valves were done last year": nothing to do there.
          return if clause.any? { |piece| piece.says(:past) } && clause.none? { |piece| NEEDS.include?(piece.norm) }
          return if clause.any? { |piece| piece.says(:damage) && piece.used } && clause.none? { |piece| NEEDS.include?(piece.norm) }

          told = @items.flat_map { |item| item.readings || [] }.map { |fields| fields[:trait] }
          open(clause).each do |piece|
            spoken_of = piece.nouns.intersect?(told) && clause.any?(&:used)
            note([piece], areas: piece.areas) if piece.areas.any? && !spoken_of
          end
        end

        # "torque in foot pounds", "today"
        def wishes(clause)
          at = clause.index { |piece| %w[unit torque].include?(piece.says(:wish)) }
          unit, run = torque_unit(clause.drop(at + 1).reject { |piece| piece.says(:wish) == "unit" }) if at
          note([clause[at], *run], unit: unit) if unit
          bare, run = torque_unit(open(clause)) unless unit
          note(run, unit: bare) if bare && clause.none?(&:figure)
          open(clause).each { |piece| note([piece], wish: piece.says(:wish)) if piece.says(:wish) && piece.says(:wish) != "unit" }
        end

        def torque_unit(pieces)
          3.downto(1) do |count|
            symbol = Units.symbol(pieces.take(count).map { |piece| piece.tokens.map(&:text).join }.join)
            return [symbol, pieces.take(count)] if symbol && Units::KIND_OF[symbol] == :torque
          end
          nil
        end

        # --- the open question ---

        # A line that is nothing but the answer: "three", "a socket, 13", "can't see it".
        def answer_alone(pieces)
          return unless @asked

          content = pieces.reject { |piece| piece.used || piece.idle? }
          return if content.any? { |piece| piece.noun? && !piece.nouns.include?(@asked.id) && piece.values.empty? && !piece.says(:absent) }

          unknown = content.find { |piece| piece.says(:unsure) || piece.says(:absent) }
          return if unknown && !content.all? { |piece| piece == unknown || piece.nouns.include?(@asked.id) || piece.says(:damage) }
          return refuse(unknown, pieces) if unknown

          keyed_apart(content, pieces)
        end

        # "none" and "gone" are a value where the trait has one, else not knowing.
        def refuse(small, pieces)
          told = if small.says(:absent) && @asked.values.key?("none") then { value: "none" }
                 elsif small.says(:absent) && @asked.kind == "counted" then { value: 0 }
                 else { unknown: true }
                 end
          pieces.each { |piece| piece.used = true if piece.nouns.include?(@asked.id) }
          note([small], readings: [{ trait: @asked.id, **told, heard: words([small]) }])
        end

        # "a socket, 13"
        def keyed_apart(content, pieces)
          return unless @asked.kind == "keyed" && content.size == 2

          key, size = content.partition(&:key).map(&:first)
          return unless key && size&.whole? && key.size.nil?

          reading(@asked, { value: "#{key.key} #{size.figure.to_i}" }, [key, size], pieces)
        end

        # Figures and values that no noun took.
        def answer_parts(pieces)
          return unless @asked && @items.none? { |one| one.readings&.any? { |fields| fields[:trait] == @asked.id } }

          left = pieces.reject(&:used)
          if (told = first_told(left)) then reading(@asked, told.first, [told.last], pieces)
          elsif (small = left.find { |piece| piece.says(:not) && !piece.says(:filler) }) && left.all? do |piece|
            piece == small || piece.idle?
          end
            refuse_plainly(small)
          elsif %w[plate number].include?(@asked.kind) then as_typed(left)
          end
        end

        def first_told(left)
          left.each do |piece|
            told = @asked.way.hear(@asked, piece)
            return [told, piece] if told && !piece.name
          end
          nil
        end

        def refuse_plainly(small)
          told = @asked.values.key?("none") ? { value: "none" } : { unknown: true }
          told = { value: 0 } if @asked.kind == "counted"
          note([small], readings: [{ trait: @asked.id, **told, heard: words([small]) }])
        end

        # What was read from a plate or a bag is taken as it was typed.
        def as_typed(left)
          run = left.drop_while(&:idle?).reverse.drop_while(&:idle?).reverse
          text = run.any? ? words(run) : ""
          return unless text.match?(/[A-Za-z0-9]/) && text.size <= 30 && run.none? { |piece| piece.noun? || piece.areas.any? || piece.unit }
          return unless text.match?(/\d/) || text.size <= 12

          reading(@asked, { value: text }, run, [])
        end

        # --- what was not heard ---

        def unheard(pieces)
          heard = pieces.slice_when do |one, _|
            one.separator?
          end.select { |clause| clause.any?(&:used) }.flat_map { |clause| clause.map(&:place) }
          @beside = heard.to_h { |place| [place, true] }
          left = pieces.reject { |piece| piece.used || piece.separator? || passed_over?(piece) }
          left.slice_when { |one, two| !side_by_side?(one, two, pieces) }.map do |run|
            Unheard.new(words: words(run), note: explained(run), from: run.first.from, to: run.last.to)
          end
        end

        def side_by_side?(one, two, pieces)
          between = pieces[(one.place + 1)...two.place]
          between.none? { |piece| piece.used || piece.separator? }
        end

        # A small word, or a noun that only says what the rest of its clause was about.
        def passed_over?(piece)
          return false if piece.figure && !(piece.figure == 1 && piece.tokens.first.spelled_out)

          piece.idle? || piece.figure || ((piece.noun? || piece.says(:damage)) && @beside[piece.place])
        end

        def explained(run)
          return "Which of them?" if run.count(&:name) > 1

          figure = run.find(&:figure) or return
          if figure.alien then figure.alien
          elsif Units::KIND_OF[figure.unit] == :torque then "A torque is looked up, never taken from a caller."
          elsif figure.unit then "#{words([figure])} of what?"
          end
        end
      end
    end
  end
end
