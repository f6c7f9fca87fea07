# frozen_string_literal: true

module Gimlet
  module Core
    module Ear
      class Pieces
        # Names of the catalogue, and letters that are said one by one.
        module Named
          private

          # @return [Array(Integer, Array), nil] how many tokens, and [trait id, value]
          def name_at(at)
            return unless startable?(at)

            found, text = nil, +""
            @tokens[at, 12].each_with_index do |token, offset|
              break if token.separator? || text.size > @names.longest

              text << Names.plain(token.text)
              next if text.empty? || token.mark? || inside?(at + offset)

              name = @names.exact(text) || plural(text, token) or next
              found = [offset + 1, name] if whole_name?(at, offset)
            end
            found
          end

          # "one of those Pellwicks"
          def plural(text, token) = (@names.exact(text.delete_suffix("S")) if token.word? && token.text.size > 4 && text.end_with?("S"))

          # A name neither begins nor ends in the middle of a run of letters and figures.
          def startable?(at)
            token = @tokens[at]
            return false if token.mark? || (token.spelled_out && token.figure)

            !token.glued || @tokens[at - 1].mark?
          end

          def inside?(at)
            following = @tokens[at + 1]
            following&.glued && !following.mark?
          end

          # "SV 20 mm" is the series SV and a size; "VA 20 bolts" never means the pump VA-20.
          def whole_name?(at, offset)
            last = @tokens[at + offset]
            return true if offset.zero? || last.figure.nil? || last.glued

            !last.spelled_out && !counted_on?(at + offset)
          end

          # Whether a figure measures or counts what comes after it.
          def counted_on?(at)
            return false unless @tokens[at + 1]
            return true if unit_at(at + 1).last

            length, meaning = @lexicon.longest(@tokens, at + 1)
            length.positive? && (meaning[:nouns] || meaning[:key] || meaning[:thread]) ? true : false
          end

          def spelled_run(at)
            return 0 unless letter(at)

            run = (at...[at + 16, @tokens.size].min).take_while do |one|
              letter(one) || digit?(@tokens[one]) || "-/".include?(@tokens[one].text)
            end
            run.pop while run.any? && @tokens[run.last].mark?
            # A figure that counts or measures what follows is not part of it.
            run.pop if run.any? && @tokens[run.last].figure && counted_on?(run.last)
            run.count { |piece| letter(piece) } >= 2 && run.any? { |piece| @tokens[piece].figure } ? run.size : 0
          end

          def letter(at)
            token = @tokens[at]
            return if token.glued && !@tokens[at - 1].mark?
            return token.text.upcase if token.text.match?(/\A[A-Za-z]\z/)

            spoken = @lexicon.longest([token], 0).last[:letter]
            spoken if spoken && token.word?
          end

          def digit?(token) = token.figure && token.figure.denominator == 1 && token.figure < 1000

          def spelled(at)
            count = spelled_run(at)
            text = (at...(at + count)).map { |one| @tokens[one].figure ? @tokens[one].norm : letter(one) || "" }.join
            named = @names.exact(text)
            add(at, count, **(named ? { name: named } : { plate: text }))
          end
        end
      end
    end
  end
end
