# frozen_string_literal: true

require_relative "facing"
require_relative "remark"
require_relative "sentences"

module Gimlet
  module Core
    class Doctor
      # What the sentences say of pieces against how they lie: directions, orders, what sits in what. Words can be misread, so all of this is warned
      # of and none refused.
      class Spoken
        include Saying

        # "In first: a, b, c" starts at the bottom of the bore; "onto the rod: a, b" where the rod is fixed; "from the X inwards: a, b" at X.
        FROM = /\bfrom (?:the |its )?([a-z -]+?)(?: inwards?| outwards?| down| up)?:\s*(.+)/i
        INNER = /\b(?:in first|into the bore, in this order|onto the (?:rod|bolt|guide))\b[^:]*:\s*(.+)/i
        # A note that tells what happens when a piece is the wrong way round.
        WRONG = /\b(?:leaks?|wrong|reversed|swapped|otherwise|no pressure|no water)\b/

        # @param series [Catalogue::Series]
        def initialize(series, _known)
          @series = series
          @sentences = Sentences.of(series)
        end

        # @return [Array<Remark>]
        def call
          @sentences.flat_map { |one| directions(one) + order(one) + steps(one) + material(one) }
        end

        private

        def directions(sentence)
          return [] if sentence.phase == "note" && sentence.text.match?(WRONG)

          sentence.named.filter_map do |named|
            opens = named.layer.opens_to or next
            told = Facing.new(named.stack, named.at).ends(named.words).find { |_, way| way != opens }
            next unless told

            warning(sentence.place, "“#{sentence.short}” puts #{named.layer.name} with its #{told.first} so that it opens to " \
                                    "#{named.stack[told.last]}, but its layer opens to #{named.stack[opens]}: one of them is wrong.")
          end
        end

        # A list that says where it begins names the pieces in the order in which they lie.
        def order(sentence)
          list = sentence.text[INNER, 1] || sentence.text[FROM, 2] or return []
          lines(sentence.with(text: list).named.reject(&:aside)).filter_map do |named|
            start = sentence.text.match?(INNER) ? Facing.inner(named.first.stack) : end_called(named.first.stack, sentence.text[FROM, 1].downcase)
            start && lying(sentence, named, start)
          end
        end

        # @param named [Array<Names::Named>]
        # @return [Array<Array<Names::Named>>] those of one stack, or of stacks on one axis, together
        def lines(named)
          axes = @series.axes.map { |axis| axis.stacks.map(&:first) }
          named.uniq { |piece| [piece.stack.id, piece.at] }.group_by { |piece| axes.find { |ids| ids.include?(piece.stack.id) } || piece.stack.id }
               .values.select { |pieces| pieces.size > 1 }
        end

        def lying(sentence, named, start)
          wanted = named.sort_by { |piece| along(piece) }
          wanted.reverse! unless start == "from"
          return if named == wanted

          warning(sentence.place, "“#{sentence.short}” names #{named.map do |piece|
            piece.layer.name
          end.join(', ')}; from #{named.first.stack[start]} they lie " \
                                  "as #{wanted.map { |piece| piece.layer.name }.join(', ')}: one order is wrong.")
        end

        # Where a piece lies along its axis.
        def along(piece)
          stacks = @series.axes.map { |axis| axis.stacks.map(&:first) }.find { |ids| ids.include?(piece.stack.id) } || []
          [stacks.index(piece.stack.id) || 0, piece.at]
        end

        # An end of the stack, or the piece that lies there.
        def end_called(stack, name)
          way = Facing.end_called(stack, Facing.content(name)) and return way
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
            warning(sentence.place,
                    "“#{sentence.short}” seats #{named.layer.name} in #{hosts.first.layer.name}, where it does not sit: say which seal does.")
          end
        end

        # A head is of one material, whoever speaks of it.
        def material(sentence)
          is = @series.traits["manifold_material"] or return []
          told = sentence.text[/\b(?:head|manifold|body)s? (?:is|are) (brass|aluminium|plastic|steel|cast iron)\b/, 1] ||
                 sentence.text[/\bthe (brass|aluminium|plastic|steel) (?:cracks|gives|strips)\b/, 1]
          return [] if told.nil? || told == is

          [warning(sentence.place, "“#{sentence.short}” speaks of #{told}; manifold_material is #{is}: say the same.")]
        end
      end
    end
  end
end
