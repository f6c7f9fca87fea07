# frozen_string_literal: true

require_relative "facing"
require_relative "remark"

module Gimlet::Core
  class Doctor
    # Lists of pieces in the order in which they go in, against the order in which they lie.
    class Lists
      include Saying

      # "In first: a, b, c" starts at the bottom of the bore; "onto the rod: a, b" where the rod is fixed; "from the X inwards: a, b" at X.
      FROM = /\bfrom (?:the |its )?([a-z -]+?)(?: inwards?| outwards?| down| up)?:\s*(.+)/i
      INNER = /\b(?:in first|into the bore, in this order|onto the (?:rod|bolt|guide))\b[^:]*:\s*(.+)/i
      # "The backup ring first, then the O-ring".
      THEN = /\A(?!.*\b(?:out|off|draw)\b)(.*\bfirst, then\b.*)/i

      # @param series [Catalogue::Series]
      # @param known [Known] its sentences
      def initialize(series, known)
        @series = series
        @sentences = known.sentences
      end

      # @return [Array<Remark>]
      def call = @sentences.flat_map { |sentence| order(sentence) }

      private

      # A list that says where it begins names the pieces in the order in which they lie.
      def order(sentence)
        list = sentence.text[INNER, 1] || sentence.text[FROM, 2] || sentence.text[THEN, 1] or return []
        lines(sentence.naming(list).reject(&:aside)).filter_map do |named|
          start = start(sentence, named.first.stack) and lying(sentence, named, start)
        end
      end

      def start(sentence, stack)
        from = sentence.text[FROM, 1] unless sentence.text.match?(INNER)
        from ? end_called(stack, from.downcase) : stack.inner
      end

      # @param named [Array<Catalogue::PieceNames::Named>]
      # @return [Array<Array<Catalogue::PieceNames::Named>>] those of one stack, or of stacks on one axis, together
      def lines(named)
        axes = @series.axes.map { |axis| axis.stacks.map(&:first) }
        named.uniq { |piece| [piece.stack.id, piece.at] }.group_by { |piece| axes.find { |ids| ids.include?(piece.stack.id) } || piece.stack.id }
             .values.select { |pieces| pieces.size > 1 }
      end

      def lying(sentence, named, start)
        wanted = named.sort_by { |piece| along(piece) }
        wanted.reverse! unless start == "from"
        return if named == wanted

        warning(sentence.place,
                "“#{sentence.short}” names #{told(named)}; from #{named.first.stack[start]} they lie as #{told(wanted)}: one order is wrong.")
      end

      def told(named) = named.map { |piece| piece.layer.name }.join(", ")

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
    end
  end
end
