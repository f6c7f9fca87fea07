# frozen_string_literal: true

require_relative "facing"
require_relative "remark"
require_relative "sentences"

module Gimlet
  module Core
    class Doctor
      # What the sentences say against what the stacks, tools and fasteners are: directions, orders, ways of tightening, hand
      # tools. Words can be misread, so all of this is warned of and none refused.
      class Spoken
        include Saying

        # "In first: a, b, c" starts at the bottom of the bore; "onto the rod: a, b" where the rod is fixed; "from the X inwards: a, b" at X.
        FROM = /\bfrom (?:the |its )?([a-z -]+?)(?: inwards?| outwards?| down| up)?:\s*(.+)/i
        INNER = /\b(?:in first|into the bore, in this order|onto the (?:rod|bolt|guide))\b[^:]*:\s*(.+)/i
        # What is said of a fastener => what its tightening or pattern is then.
        WAYS = { /\bfinger-tight\b/ => ["finger_then_turn"], /\bback(?:ed)? off\b|\btight again\b/ => ["back_off"],
                 /\b(?:next|meet a) (?:hole|slot)\b/ => ["torque_to_next_slot"], /\bfirm\b/ => %w[firm none] }.freeze
        PATTERNS = { /\bin a star\b/ => %i[star], /\bmaker's order\b/ => %i[listed], /\binside outwards\b|\binner bolts to outer\b/ => %i[inner_to_outer listed] }.freeze
        # The wrong way round: a face is closed from inside outwards and opened from outside inwards. Common practice, no source.
        BACKWARDS = { "open" => /\binside outwards\b|\binner bolts to outer\b/, "close" => /\boutside inwards\b|\bouter bolts to inner\b/ }.freeze
        # Hand tools that must lie on the bench when a sentence uses them: the word => what its name has.
        HAND_TOOLS = {
          "mallet" => /mallet/, "hammer" => /hammer/, "pliers" => /pliers|collet/, "hook" => /hook/, "screwdriver" => /screwdriver/, "punch" => /punch/,
          "brush" => /brush/, "blow the" => /air line/, "blade" => /blade/, "drift" => /drift/, "slide hammer" => /slide hammer/, "pick" => /pick/,
          "lever" => /lever|pry bar/, "puller" => /puller/, "socket extension" => /extension/, "wooden rod" => /wooden rod/, "cloth" => /cloth/,
          "vice" => /vice/, "box spanner" => /box spanner/, "guide pins" => /guide pins/, "cone" => /cone/, "driver" => /driver/
        }.freeze
        # What follows is a caution against the tool.
        DENIED = /\b(?:never|no|not|nothing|without)\b[^;.]*\z/

        # A note that tells what happens when a piece is the wrong way round.
        WRONG = /\b(?:leaks?|wrong|reversed|swapped|otherwise|no pressure|no water)\b/

        # @param series [Catalogue::Series]
        def initialize(series, _known)
          @series = series
          @sentences = Sentences.of(series)
        end

        # @return [Array<Remark>]
        def call
          @sentences.flat_map { |one| directions(one) + order(one) + steps(one) + ways(one) + tools(one) + material(one) }
        end

        private

        def directions(sentence)
          return [] if sentence.phase == "note" && sentence.text.match?(WRONG)

          sentence.named.filter_map do |named|
            opens = named.layer.opens_to or next
            told = Facing.new(named.stack, named.at).ends(named.words).find { |_, way| way != opens }
            next unless told

            warning(sentence.place, "“#{short(sentence)}” puts #{named.layer.name} with its #{told.first} so that it opens to #{named.stack[told.last]}, " \
                                  "but its layer opens to #{named.stack[opens]}: one of them is wrong.")
          end
        end

        # A list that says where it begins names the pieces in the order in which they lie.
        def order(sentence)
          start, list = beginning(sentence)
          return [] unless start

          named = sentence.with(text: list).named.select { |piece| piece.stack == start.first }
          places = named.map(&:at).uniq
          wanted = start.last == "from" ? places.sort : places.sort.reverse
          return [] if places == wanted

          [warning(sentence.place, "“#{short(sentence)}” names #{named.map { |piece| piece.layer.name }.uniq.join(', ')}; from #{start.first[start.last]} " \
                                 "they lie as #{wanted.map { |at| start.first.layers[at].name }.join(', ')}: one order is wrong.")]
        end

        # @return [Array(Array(Catalogue::Stack, String), String), nil] stack and end that a list begins at, and the list
        def beginning(sentence)
          if (found = sentence.text.match(INNER))
            stack = sentence.with(text: found[1]).named.map(&:stack).tally.max_by(&:last)&.first
            inner = stack && Facing.inner(stack) and [[stack, inner], found[1]]
          elsif (found = sentence.text.match(FROM))
            stack = sentence.with(text: found[2]).named.map(&:stack).tally.max_by(&:last)&.first
            way = stack && end_called(stack, found[1].downcase) and [[stack, way], found[2]]
          end
        end

        def end_called(stack, name)
          ends = %w[from towards].select { |way| stack[way].downcase.split.intersect?(name.split - ["the"]) }
          return ends.first if ends.one?

          places = stack.layers.each_index.select { |at| stack.layers[at].name.downcase.split.last == name.split.last }
          { 0 => "from", stack.layers.size - 1 => "towards" }[places.first] if places.one?
        end

        # "The seal case's first step is where the low-pressure seal seats": it must sit in that case.
        def steps(sentence)
          return [] unless sentence.text.match?(/\b(?:first|second) step\b/) && sentence.text.match?(/\bseats?\b/)

          hosts, seats = sentence.named.partition { |named| named.stack.layers.any? { |layer| layer.inside == named.layer.slot } }
          told = sentence.text.downcase
          seats = seats.select { |named| told[named.from..].match?(/\A[\w -]*?\bseats\b/) }
          seats.reject { |named| hosts.empty? || hosts.map { |host| host.layer.slot }.include?(named.layer.inside) }.map do |named|
            warning(sentence.place, "“#{short(sentence)}” seats #{named.layer.name} in #{hosts.first.layer.name}, where it does not sit: say which seal does.")
          end
        end

        def ways(sentence)
          return [] unless %w[open close].include?(sentence.phase)

          fasteners = sentence.groups.flat_map(&:fasteners).filter_map { |id| @series.fastener(id) }
          fasteners.empty? ? [] : kinds(sentence, fasteners) + patterns(sentence, fasteners)
        end

        def kinds(sentence, fasteners)
          return [] unless sentence.phase == "close"

          kinds = fasteners.flat_map(&:tightenings).map(&:kind)
          told = WAYS.select { |words, wanted| sentence.text.match?(words) && !kinds.intersect?(wanted) }.keys
          told << /snug first/i if sentence.text.match?(/\bsnug first\b/i) && fasteners.flat_map(&:tightenings).none?(&:snug_first)
          told.map do |words|
            warning(sentence.place, "“#{sentence.text[words]}” is said of #{fasteners.map(&:name).join(', ')}, whose tightening is #{kinds.uniq.join(', ')}: one " \
                                    "of them is wrong.")
          end
        end

        def patterns(sentence, fasteners)
          told = PATTERNS.find { |words, wanted| sentence.text.match?(words) && !fasteners.map(&:pattern).intersect?(wanted) }&.first ||
                 BACKWARDS[sentence.phase].then { |words| words if sentence.text.match?(words) }
          return [] unless told

          [warning(sentence.place, "“#{sentence.text[told]}” is said of #{fasteners.map(&:name).join(', ')} (#{fasteners.map(&:pattern).uniq.join(', ')}): it is " \
                                   "closed from inside outwards and opened the other way, or as the sheet lists it.")]
        end

        def tools(sentence)
          return [] if sentence.phase == "note"

          told = sentence.text.downcase
          pieces = sentence.stacks.flat_map { |stack| stack.layers.map { |layer| layer.name.downcase } }
          HAND_TOOLS.filter_map do |word, name|
            from = told =~ /\b#{word}s?\b/ or next
            next if told[0...from].match?(DENIED) || pieces.any? { |piece| piece.include?(word) } || sentence.tools.any? { |tool| tool.downcase.match?(name) }

            warning(sentence.place, "uses a #{word} (“#{short(sentence)}”) that is not among its tools: name it there.")
          end
        end

        # A head is of one material, whoever speaks of it.
        def material(sentence)
          is = @series.traits["manifold_material"] or return []
          told = sentence.text[/\b(?:head|manifold|body)s? (?:is|are) (brass|aluminium|plastic|steel|cast iron)\b/, 1] ||
                 sentence.text[/\bthe (brass|aluminium|plastic|steel) (?:cracks|gives|strips)\b/, 1]
          return [] if told.nil? || told == is

          [warning(sentence.place, "“#{short(sentence)}” speaks of #{told}; manifold_material is #{is}: say the same.")]
        end

        def short(sentence) = sentence.text.size > 90 ? "#{sentence.text[0, 88]}…" : sentence.text
      end
    end
  end
end
