# frozen_string_literal: true

require_relative "../../../core"

module Gimlet::Core
  module Ear
    class Lattice
      # Pieces of several figures or of a figure and a word: 20 x 28 x 6, 8 or 9, more than 8, four each side, hex 6, 1/2 bsp.
      module Joined
        CROSS = %w[x × by].freeze
        TO = %w[to or –].freeze
        # Words that may stand between a key and its size, or a thread and its size.
        BETWEEN = %w[of size key a an mm is in].freeze
        LARGEST_KEY = 100
        DENIED_BOUND = { "over" => "most", "least" => "under", "under" => "least", "most" => "over" }.freeze
        LARGEST_THREAD = 6
        SIDES = [%w[each side], %w[each end], %w[a side], %w[either side], %w[per side], %w[each row], %w[top and bottom], %w[on each side],
                 %w[each]].freeze
        PLACES = %w[top bottom front below above under underneath up down left right back].freeze

        # What a few words behind a figure open.
        OR_SO = { %w[or more] => "least", %w[or over] => "least", %w[or above] => "least", %w[or fewer] => "most", %w[or less] => "most",
                  %w[or under] => "most" }.freeze
        INTO = %w[on at the in].freeze
        UPWARDS = %w[up down].freeze

        # @return [Array<Piece>]
        def joined_at(place)
          figures = figures_at(place).reject(&:alien)
          bounded(place) + keyed_first(place) + threaded_first(place) +
            figures.flat_map { |figure| behind(place, figure) }
        end

        private

        def behind(place, figure)
          [*sizes(place, figure), *span(place, figure), *open_behind(place, figure), *sum(place, figure), *keyed_last(place, figure),
           *threaded_last(place, figure)]
        end

        # 20 x 28 x 6, 20/28/6
        def sizes(place, figure)
          return [] if figure.unit && Units::KIND_OF[figure.unit] != :length

          found, ending, unit, made = [figure.figure], figure.to, figure.unit, []
          while found.size < 3 && (cross?(ending) || slashed?(ending, found)) && (following = size_at(ending + 1))
            found << following.figure
            ending, unit = following.to, following.unit || unit
            made << Piece.new(place, ending, sizes: found.dup, unit: unit, text: words(place, ending))
          end
          figure.unit.nil? || figure.unit == "in" || made.any? ? made.reverse : []
        end

        def cross?(place) = CROSS.include?(tokens[place]&.text&.downcase)

        # "20/28/6": a slash between three sizes.
        def slashed?(place, found)
          tokens[place]&.text == "/" && tokens[place + 1]&.figure && (found.size == 2 || tokens[place + 2]&.text == "/")
        end

        def size_at(place) = figures_at(place).find { |piece| piece.alien.nil? && [nil, "mm", "in"].include?(piece.unit) }

        # between 18 and 20 mm; 8 or 9; 18 to 20 mm; 18-20 mm; 18 or maybe 20
        def span(place, figure)
          link = figure.to
          link += 1 while link < size && %w[maybe perhaps even].include?(@norms[link]) && TO.include?(@norms[link + 1])
          dash = ["-", "?"].include?(tokens[link]&.text)
          return [] unless TO.include?(tokens[link]&.text&.downcase) || dash || @norms[link] == "maybe"

          upper = link + 1
          upper += 1 while upper < size && %w[maybe perhaps].include?(@norms[upper])
          upper += 1 while upper < size && tokens[upper].text == ","
          upper_ends(place, upper, figure, dash && tokens[link].text == "-")
        end

        def upper_ends(place, upper, figure, dash)
          return [] if upper >= size

          figures_at(upper).filter_map do |last|
            next if last.alien || (figure.unit && figure.unit != last.unit) || figure.figure >= last.figure || (dash && last.unit.nil?)

            Piece.new(place, last.to, span: [figure.figure, last.figure], unit: last.unit)
          end
        end

        # "more than 8", "under 10 kg", "at least 3", "up to 10", "between 18 and 20"
        def bounded(place)
          says(place, :bound).flat_map do |bound|
            at = bound.to
            at += 1 while at < size && %w[about around a an say the].include?(@norms[at]) && figures_at(at).empty?
            figures = at < size ? figures_at(at).reject(&:alien) : []
            kind = denied?(place) ? DENIED_BOUND.fetch(bound.says(:bound), nil) : bound.says(:bound)
            kind == "between" ? between(place, figures) : figures.filter_map { |figure| kind && open_span(place, kind, figure) }
          end
        end

        # "can't be more than 12" is at most 12.
        def denied?(place) = [place - 1, place - 2].any? { |at| at >= 0 && says(at, :not).any? { |piece| piece.to == place } }

        # "10 or more", "8 or fewer"
        def open_behind(place, figure)
          kind = OR_SO[@norms[figure.to, 2]]
          kind ? [open_span(place, kind, figure).then { |piece| Piece.new(place, figure.to + 2, span: piece.span, unit: piece.unit) }] : []
        end

        def between(place, figures)
          figures.flat_map do |figure|
            next [] unless %w[and to].include?(@norms[figure.to])

            upper_ends(place, figure.to + 1, figure, false)
          end
        end

        # Of counts, "more than 8" begins at 9; of sizes, at 8.
        def open_span(place, bound, figure)
          step = figure.unit.nil? && figure.figure.denominator == 1 ? 1 : 0
          span = { "over" => [figure.figure + step, nil], "least" => [figure.figure, nil], "under" => [nil, figure.figure - step],
                   "most" => [nil, figure.figure] }.fetch(bound)
          Piece.new(place, figure.to, span: span, unit: figure.unit)
        end

        # 4+4 bolts; four each side; 5 top 5 bottom; two rows of four
        def sum(place, figure)
          return [] unless figure.whole?

          [plus(place, figure), sided(place, figure), placed(place, figure), of_rows(place, figure)].compact
        end

        def plus(place, figure)
          # "five and five"
          linked = tokens[figure.to]&.text == "+" || @norms[figure.to] == "and"
          last = (whole_at(figure.to + 1) if linked) or return
          return if @norms[figure.to] == "and" && last.figure != figure.figure

          Piece.new(place, last.to, figure: figure.figure + last.figure, sum: true)
        end

        def sided(place, figure)
          side = SIDES.find { |words| @norms[figure.to, words.size] == words } or return
          Piece.new(place, figure.to + side.size, figure: figure.figure * 2, sum: true)
        end

        def placed(place, figure)
          one = place_behind(figure.to) or return
          one += 1 while one < size && (%w[and plus].include?(@norms[one]) || tokens[one].text == ",")
          last = whole_at(one) or return
          ending = place_behind(last.to) or return
          Piece.new(place, ending, figure: figure.figure + last.figure, sum: true)
        end

        def place_behind(place)
          place += 1 while INTO.include?(@norms[place]) || (UPWARDS.include?(@norms[place]) && PLACES.include?(@norms[place + 1]))
          place + 1 if PLACES.include?(@norms[place])
        end

        def of_rows(place, figure)
          return unless %w[row line].include?(@norms[figure.to]) && @norms[figure.to + 1] == "of"

          last = whole_at(figure.to + 2) or return
          Piece.new(place, last.to, figure: figure.figure * last.figure, sum: true)
        end

        def whole_at(place) = (figures_at(place).find(&:whole?) if place < size)

        # hex 6; spanner size 22
        def keyed_first(place)
          phrases_at(place).select { |piece| piece.says(:key) }.flat_map do |key|
            sized(after_links(key.to)).map { |figure| key_piece(key, figure, place, figure.to) }
          end
        end

        # 6 mm allen key; 13 af. "8 hex bolts" counts bolts.
        def keyed_last(place, figure)
          return [] unless key_size?(figure)

          phrases_at(after_links(figure.to)).select { |piece| piece.says(:key) && piece.from < size }.filter_map do |key|
            next if figure.unit.nil? && counts?(key.to)

            key_piece(key, figure, place, key.to)
          end
        end

        def key_piece(key, figure, from, to) = Piece.new(from, to, slip: key.slip, key: key.says(:key), size: figure.figure.to_i, text: figure.text)

        # What a figure and a key stand before: a noun is counted, and "hex 6 key" goes on.
        def counts?(place) = place < size && (tokens[place].figure || phrases_at(place).any? { |piece| piece.noun? && piece.slip.zero? })

        def sized(place) = place < size ? figures_at(place).select { |figure| key_size?(figure) } : []

        def key_size?(figure)
          !figure.alien && [nil, "mm"].include?(figure.unit) && figure.figure.denominator == 1 && figure.figure.between?(1, LARGEST_KEY)
        end

        # "a socket, 13"; a thread and its size stand side by side.
        def after_links(place, comma: true)
          marks = comma ? [":", "=", ","] : [":", "="]
          place += 1 while place < size - 1 && (BETWEEN.include?(@norms[place]) || marks.include?(tokens[place].text)) && !key_at?(place)
          place
        end

        def key_at?(place) = phrases_at(place).any? { |piece| piece.says(:key) && piece.slip.zero? }

        # bsp 1/2; G 3/4
        def threaded_first(place)
          phrases_at(place).select { |piece| piece.says(:thread) && piece.slip.zero? }.flat_map do |thread|
            at = after_links(thread.to, comma: false)
            (at < size ? figures_at(at) : []).select { |figure| thread_size?(figure) }
                                             .map { |figure| thread_piece(thread, figure, place, figure.to) }
          end
        end

        # 1/2 bsp; half inch bsp
        def threaded_last(place, figure)
          at = after_links(figure.to, comma: false)
          return [] unless thread_size?(figure) && at < size

          phrases_at(at).select { |piece| piece.says(:thread) && piece.slip.zero? }.map { |thread| thread_piece(thread, figure, place, thread.to) }
        end

        def thread_piece(thread, figure, from, to) = Piece.new(from, to, thread: thread.says(:thread), figure: figure.figure)
        def thread_size?(figure) = !figure.alien && [nil, "in"].include?(figure.unit) && figure.figure <= LARGEST_THREAD
      end
    end
  end
end
