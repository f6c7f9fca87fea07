# frozen_string_literal: true

require_relative "rule"

module Gimlet::Core
  module Ear
    module Rules
      # Makers, series, pumps, parts and kits: whole ("TK4L20", "one of those Pellwicks"), nearly ("VA-I8"), quoted from paper ("invoice DB KIT
      # 120"), in part ("kit ends in 120"), or denied ("not a Tarnley", "it's no TK4").
      class Named < Rule
        # Letters and figures of a number that is quoted; tokens of one that is read out with gaps.
        SHORTEST = 3
        TOKENS = 5
        # "valve kit x2" is two of them.
        TIMES = /\Ax\s?\d+\z/i
        # Letters of a word that may be of a number; what is known to be something else is not.
        CAPITALS = 5
        SMALL = 3
        TOLD = %i[aside filler nouns areas].freeze
        # A text near to a name; one with gaps in it.
        NEARLY = 1.5
        # What makes a whole name of a pump or part likelier than its pieces.
        WHOLE = 0.4
        APART = 2.5

        def call(place)
          whole(place) + denied(place) + nearly(place) + apart(place) + quoted(place) + partial(place)
        end

        private

        def names(place) = pieces(place).select(&:name)

        def whole(place)
          names(place).map do |piece|
            id, value = piece.name
            other = or_another(piece)
            next aside(place, other, "Which of them?") if other

            item, ending = with_letter(piece) || [reading(trait(id), { value: value }, place, piece.to), piece.to]
            candidate(place, ending, [item], cost: Costs::RULE + piece.slip - (%w[plate part_number].include?(id) ? WHOLE : 0), told: [piece],
                                             strong: true, weak: piece.slip.positive? ? 2 : 0)
          end
        end

        # "SV22 with an X"
        def with_letter(piece)
          at = piece.to
          return unless piece.name.first == "plate" && norm(at) == "with" && %w[a an].include?(norm(at + 1))
          return unless tokens[at + 2]&.text&.match?(/\A[A-Za-z]\z/)

          [reading(trait("plate"), { value: "#{piece.name.last}#{tokens[at + 2].text.upcase}" }, piece.from, at + 3), at + 3]
        end

        # "TK4L20 or TK4R20"
        def or_another(piece)
          return unless norm(piece.to) == "or"

          names(skip(piece.to + 1)).find { |one| one.name.first == piece.name.first }&.to
        end

        def denied(place)
          says(place, :not).flat_map do |no|
            names(skip(no.to)).map do |piece|
              id, value = piece.name
              candidate(place, piece.to, [reading(trait(id), { value: value }, place, piece.to, denied: true)], told: [piece], strong: true,
                                                                                                                cost: Costs::RULE + piece.slip)
            end
          end
        end

        # A text one slip away from a name of the catalogue is read as it was typed.
        def nearly(place)
          pieces(place).select { |piece| piece.text && !piece.name && !piece.figures? && !piece.plate && !piece.key }.filter_map do |piece|
            paper = lattice.said(:papers, place).any? || clause_noun?(place, "part_number")
            id = @names.near(piece.text) || (if paper && piece.text.match?(/\d/) && piece.text.match?(/\A[^?*]+\z/) && !piece.text.match?(TIMES)
                                               "part_number"
                                             end)
            next unless id

            candidate(place, piece.to, [reading(trait(id), { value: piece.text }, place, piece.to)], cost: Costs::RULE + NEARLY, strong: true)
          end
        end

        def clause_noun?(place, id)
          @nouns ||= tokens.each_index.flat_map { |at| lattice.phrases_at(at).select(&:noun?) }.group_by { |piece| lattice.clause(piece.from) }
          @nouns.fetch(lattice.clause(place), []).any? { |piece| piece.nouns.include?(id) && piece.slip.zero? }
        end

        # "PW K42", "NDL I8": a name with gaps in it, and slightly wrong.
        def apart(place)
          return NONE unless code?(place) && !tokens[place].glued

          (2..4).filter_map do |count|
            run = (place...(place + count)).to_a
            next unless code_run?(run)

            text = run.map { |at| tokens[at].text }.join
            id = @names.near(text) or next
            candidate(place, place + count, [reading(trait(id), { value: lattice.words(place, place + count) }, place, place + count)],
                      cost: Costs::RULE + APART, strong: true)
          end
        end

        def code_run?(run)
          run.all? { |at| code?(at) } && run.any? { |at| tokens[at].figure } && run.any? do |at|
            tokens[at].word?
          end && !lattice.counted_on?(run.last) && !joined?(run.last + 1)
        end

        def joined?(place) = tokens[place]&.glued && !tokens[place].mark?

        # A token that may be of a plate or a number: capitals and short words that nothing else is known of, figures.
        def code?(place)
          token = tokens[place] or return false
          return true if (token.figure && !token.spelled_out) || token.text.match?(/\A[A-Z]\z/)

          longest = token.text == token.text.upcase ? CAPITALS : SMALL
          token.word? && token.text.size <= longest && TOLD.none? { |small| says(place, small).any? }
        end

        # "invoice DB KIT 120": a number that the catalogue does not have is still a number. It ends where ordinary words or a date begin.
        def quoted(place)
          nouns = lattice.phrases_at(place).select { |piece| piece.nouns.include?("part_number") && piece.slip.zero? }
          nouns.filter_map do |noun|
            at = after_noun(noun.to)
            next if at >= lattice.size || says(at, :ends).any? || says(at, :starts).any?

            ending = quote_end(at)
            text = ending > at ? lattice.words(at, ending) : ""
            next unless text.match?(/\d/) && text.count("A-Za-z0-9") >= SHORTEST && !text.match?(TIMES)

            candidate(place, ending, [reading(trait("part_number"), { value: text }, place, ending)], cost: Costs::RULE + 0.3, strong: true,
                                                                                                      weak: 1)
          end
        end

        def after_noun(place)
          loop do
            at = skip(place)
            more = at < lattice.size && lattice.phrases_at(at).find { |piece| piece.nouns.include?("part_number") && piece.slip.zero? }
            return at unless more

            place = more.to
          end
        end

        def quote_end(place)
          at = place
          at += 1 while at < lattice.size && at - place < TOKENS && quotable?(at, place)
          at -= 1 while at > place && lattice.mark?(at - 1)
          at
        end

        def quotable?(at, start)
          return false if lattice.separator?(at) || pieces(at).any?(&:alien)
          return tokens[at].glued || at > start if lattice.mark?(at)

          if tokens[at].figure
            pieces(at).none? do |piece|
              piece.unit && piece.from == at && piece.figure
            end || tokens[at].glued
          else
            code?(at) || tokens[at].glued
          end
        end

        # "kit ends in 120", "starts with RV.K"
        def partial(place)
          opening = lattice.phrases_at(place).find { |piece| piece.slip.zero? && piece.nouns.intersect?(%w[part_number plate serial]) }
          at = opening ? skip(opening.to) : place
          %i[ends starts].flat_map { |small| says(at, small).map { |piece| [small, piece] } }.filter_map do |small, piece|
            next if opening.nil? && place.positive? && clause_noun?(place, "serial")

            id = id_of(opening, place, small) or next
            begins = skip(piece.to)
            ending = quote_end(begins)
            text = ending > begins ? lattice.words(begins, ending).delete(" ") : ""
            next if text.empty?

            item = reading(trait(id), { value: small == :ends ? "*#{text}" : "#{text}*" }, place, ending)
            candidate(place, ending, [item], strong: true, weak: 1)
          end
        end

        # A trait that nobody named is none: only the plate is read out letter by letter.
        def id_of(opening, place, small)
          return if opening&.nouns&.include?("serial")
          return "plate" if opening&.nouns&.include?("plate") || (opening.nil? && clause_noun?(place, "plate"))
          return "part_number" if opening || clause_noun?(place, "part_number") || (place.positive? && norm(place - 1) == "number")

          "plate" if small == :starts && asked.nil?
        end
      end
    end
  end
end
