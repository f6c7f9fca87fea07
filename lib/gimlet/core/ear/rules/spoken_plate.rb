# frozen_string_literal: true

require_relative "rule"

module Gimlet::Core
  module Ear
    module Rules
      # A plate as it is read out, in pieces: "something K, 4, then can't read, 20" becomes "*K4*20", "plate says VA dash 22 R" "VA22R".
      # `?` stands for one glyph that cannot be read, `*` for any run of them.
      class SpokenPlate < Rule
        LINKS = %w[then and it that dash space the says say read a is stroke slash some letter number half].freeze
        LONGEST = 12
        CHARACTERS = %w[digit figure letter number character].freeze
        LETTERS = 6
        # A plate that nobody called one.
        UNCALLED = 0.6

        # What is read at one token: the text, where it ends, whether it is a gap.
        Glyphs = Value.of(:text, :ending, :gap)

        def call(place)
          called(place) + uncalled(place)
        end

        private

        def called(place)
          nouns = lattice.phrases_at(place).select { |piece| piece.nouns.include?("plate") && piece.slip.zero? }
          nouns.filter_map { |noun| made(place, read(noun.to, noun: true), Costs::RULE) }
        end

        # Whether anything of the line cannot be read: only then is a plate that nobody called one read out in it.
        def prepare
          @gapped = asked&.id == "plate" || lattice.line.match?(/[?*]/) || tokens.each_index.any? do |place|
            says(place, :gaps).any? || CHARACTERS.include?(norm(place))
          end
        end

        def uncalled(place)
          return NONE if !@gapped || serial_before?(place)
          return NONE if tokens[place].glued || glyphs(place, noun: false).nil? || inside?(place)

          run = read(place, noun: false)
          marked = run.any? { |one| one.gap || one.text.match?(/[?*]/) }
          return NONE unless marked || asked&.id == "plate"

          [made(place, run, Costs::RULE + (asked&.id == "plate" ? -0.8 : UNCALLED))].compact
        end

        # "serial no 28, something, 40"
        def serial_before?(place)
          @serial ||= [tokens.each_index.find { |at| says(at, :nouns).any? { |piece| piece.nouns.include?("serial") } } || lattice.size]
          @serial.first < place
        end

        # A run begins where it begins.
        def inside?(place) = place.positive? && !lattice.separator?(place - 1) && !lattice.mark?(place - 1) && !glyphs(place - 1, noun: false).nil?

        def made(place, run, cost)
          return if run.empty?

          text = run.map { |one| one.gap || one.text }.join.upcase.squeeze("*")
          return unless text.match?(/[A-Z0-9]/) && text.match?(/[\d*?]/)

          candidate(place, run.last.ending, [reading(trait("plate"), { value: text }, place, run.last.ending)], cost: cost, strong: true)
        end

        # @return [Array<Glyphs>]
        def read(place, noun:)
          run = []
          while place < lattice.size && run.size < LONGEST
            if (found = glyphs(place, noun: noun))
              run << found
              place = found.ending
            elsif (following = linked(place, run, noun)) then place = following
            else
              break
            end
          end
          run
        end

        # Past small words, and past a comma where what follows can only be plate.
        def linked(place, run, noun)
          return place + 1 if LINKS.include?(norm(place)) || (lattice.mark?(place) && !lattice.separator?(place))
          return unless lattice.separator?(place) && run.any?

          place + 1 if goes_on?(place + 1, run, noun)
        end

        def goes_on?(place, run, noun)
          place += 1 while place < lattice.size && LINKS.include?(norm(place)) && run.any?
          following = glyphs(place, noun: noun) or return false
          asked&.id == "plate" || following.gap || following.text.match?(/[?*]/) || run.any?(&:gap) || !tokens[place].figure
        end

        def glyphs(place, noun:)
          return if place >= lattice.size || lattice.separator?(place)

          known = (@glyphs ||= {})
          known.fetch([place, noun]) { known[[place, noun]] = read_at(place, noun) }
        end

        def read_at(place, noun)
          gap(place) || name(place) || text(place) || figure(place) || letters(place, noun)
        end

        def gap(place)
          piece = lattice.phrases_at(place).find { |one| one.says(:gaps) && one.slip.zero? }
          return Glyphs.new(text: "", ending: piece.to, gap: piece.says(:gaps)) if piece

          # "then two digits"
          count = lattice.figures_at(place).find { |one| one.whole? && CHARACTERS.include?(norm(one.to)) }
          count && Glyphs.new(text: "", ending: count.to + 1, gap: "*")
        end

        def name(place)
          piece = lattice.names_at(place).find { |one| %w[plate series].include?(one.name.first) && one.slip.zero? }
          longer = lattice.texts_at(place).find { |one| one.text && !one.name }
          return if piece.nil? || (longer && longer.to > piece.to)

          Glyphs.new(text: tokens[piece.from...piece.to].reject { |one| one.norm == "dash" }.map(&:text).join, ending: piece.to)
        end

        def text(place)
          piece = lattice.texts_at(place).find { |one| one.text && !one.name }
          return Glyphs.new(text: piece.plate || piece.text, ending: piece.to) if piece

          Glyphs.new(text: tokens[place].text, ending: place + 1) if "?*".include?(tokens[place].text) && !question?(place)
        end

        # "is it 8?"
        def question?(place) = tokens[place].glued || !lattice.tokens[place + 1]

        def figure(place)
          piece = lattice.figures_at(place).find { |one| one.digits && one.unit.nil? && !one.alien }
          return if piece.nil? || piece.digits.size > 5 || sized?(place) || counts?(piece.to)

          Glyphs.new(text: piece.digits, ending: piece.to)
        end

        def sized?(place) = pieces(place).any? { |one| (one.unit && one.unit != "L") || one.sizes || one.span || (one.key && one.size) }

        def counts?(place)
          place < lattice.size && lattice.phrases_at(place).any? do |one|
            one.slip.zero? && (one.noun? || one.key || one.says(:thread) || one.says(:pumps) || one.areas.any? || one.values.any? || one.says(:key))
          end
        end

        # One letter or two, or after the word "plate" a few capitals.
        def letters(place, noun)
          token = tokens[place]
          return if !token.word? || says(place, :not).any? || token.glued

          capitals = token.text == token.text.upcase
          short = token.text.size <= 2 && (capitals || says(place, :filler).empty?) && (capitals || Units.symbol(token.text).nil?)
          long = noun && capitals && token.text.size <= LETTERS && lattice.phrases_at(place).none? { |one| one.slip.zero? } &&
                 NumberWords.at(tokens, place).nil?
          Glyphs.new(text: token.text, ending: place + 1) if short || long
        end
      end
    end
  end
end
