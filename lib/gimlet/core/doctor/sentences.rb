# frozen_string_literal: true

require_relative "../value"

module Gimlet
  module Core
    class Doctor
      # The sentences of a series that are read by whoever does the work, and the pieces that they name.
      #
      #   Sentences.of(series).first.text   # => "Support ring, flat side in; packing at an angle, then pressed."
      #   Sentences.of(series).first.named  # => [Named(stack, at, "support ring", ", flat side in; "), ...]
      module Sentences
        # `place` is where it stands, `stacks` are those it may speak of, `tools` names of what lies ready for it, `groups` the groups that it is said
        # of; `phase` is "open", "work", "close" or "note".
        Sentence = Value.of(:place, :text, :stacks, :tools, :groups, :phase) do
          # @return [Array<Named>] pieces in the order in which it names them
          def named = stacks.flat_map { |stack| Sentences.pieces(stack, text) }.sort_by(&:from)
        end
        # A piece that is named: layer `at` of `stack`, from character `from` on, and the words that follow up to the next piece or full stop.
        Named = Value.of(:stack, :at, :from, :words) do
          def layer = stack.layers[at]
        end

        module_function

        # @param series [Catalogue::Series]
        # @return [Array<Sentence>] one for each full stop
        def of(series)
          (areas(series) + groups(series) + steps(series) + notes(series)).flat_map do |entry|
            entry.text.split(/(?<=[.!?])\s+/).map { |text| entry.with(text: text) }
          end
        end

        def areas(series)
          series.areas.flat_map do |area|
            groups = area.opens.filter_map { |id| series.group(id) }
            area.work.map do |work|
              tools = area.tools + area.work.flat_map(&:tools) + groups.flat_map(&:tools)
              Sentence.new(place: "areas.#{area.id}.work", text: work.text, stacks: stacks(series, area.stacks), phase: "work",
                           tools: tools(series, tools, groups), groups: groups)
            end
          end
        end

        def groups(series)
          series.groups.flat_map do |group|
            { "open" => group.open, "close" => group.close }.map do |phase, text|
              Sentence.new(place: "groups.#{group.id}.#{phase}", text: text, stacks: stacks(series, group.disturbs.keys), phase: phase,
                           tools: tools(series, group.tools + around(series, group), [group]), groups: [group])
            end
          end
        end

        # Tools of the areas that open a group lie on the bench too.
        def around(series, group) = series.areas.select { |area| area.opens.include?(group.id) }.flat_map(&:tools)

        def steps(series)
          series.close_order.select(&:text).map do |step|
            Sentence.new(place: "close_order.#{step.key}", text: step.text, stacks: stacks(series, step.puts.keys), phase: "close",
                         tools: tools(series, step.tools, []), groups: [])
          end
        end

        def notes(series)
          { "cautions" => series.cautions, "finish" => series.finish }.flat_map do |list, entries|
            entries.map { |entry| Sentence.new(place: list, text: entry.text, stacks: series.stacks, phase: "note", groups: []) }
          end
        end

        def stacks(series, ids) = ids.filter_map { |id| series.stack(id) }

        # Drives that undo the fasteners are at hand anyway.
        def tools(series, ids, groups)
          drives = groups.flat_map(&:fasteners).filter_map { |id| series.fastener(id)&.drive }
          series.tools.select { |tool| ids.include?(tool.id) }.map(&:name) + drives
        end

        # The longest names first, each stretch of the text once. A piece is named by its whole name or the end of it, where no other piece of the
        # stack is called so.
        def pieces(stack, text)
          rest = text.downcase
          found = called(stack).filter_map do |words, at|
            from = rest =~ /(?<![\w-])#{Regexp.escape(words)}s?(?![\w-])/ or next
            rest[from, words.size] = "·" * words.size
            [from, words.size, at]
          end.sort
          found.each_with_index.map do |(from, size, at), index|
            stop = found[index + 1]&.first || text.size
            Named.new(stack: stack, at: at, from: from, words: text[(from + size)...stop][/\A[^;:.]*/])
          end
        end

        # @return [Array<Array(String, Integer)>] what each layer may be called, longest first
        def called(stack)
          whole = stack.layers.each_with_index.to_h { |layer, at| [layer.name.downcase.delete(","), at] }
          names = stack.layers.each_with_index.flat_map { |layer, at| endings(layer.name).map { |words| [words, at] } }
          lone = names.group_by(&:first).filter_map { |words, same| [words, same.first.last] if same.map(&:last).uniq.size == 1 }.to_h
          lone.merge(whole).sort_by { |words, _| -words.size }
        end

        def endings(name)
          words = name.downcase.delete(",").split
          words.each_index.map { |from| words.drop(from).join(" ") }
        end
      end
    end
  end
end
