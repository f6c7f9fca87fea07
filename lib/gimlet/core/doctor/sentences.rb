# frozen_string_literal: true

require_relative "../value"
require_relative "../1_catalogue/piece_names"

module Gimlet::Core
  class Doctor
    # The sentences of a series that are read by whoever does the work, and the pieces that they name.
    #
    #   Sentences.of(series).first.text   # => "Support ring, flat side in; packing at an angle, then pressed."
    #   Sentences.of(series).first.named.map(&:words) # => [", flat side in; ", " at an angle, then pressed."]
    module Sentences
      # `place` is where it stands, `named` the pieces that it names, `names` those of the stacks it may speak of, `tools` names of what lies ready
      # for it, `fasteners` those that it is said of; `phase` is "open", "work", "close" or "note".
      Sentence = Value.of(:place, :text, :named, :names, :tools, :fasteners, :phase) do
        # @return [String] its beginning
        def short = text.size > 90 ? "#{text[0, 88]}…" : text

        # @param text [String] part of it
        # @return [Array<Catalogue::PieceNames::Named>] pieces in the order in which that names them; the longest name where two have one
        def naming(text)
          all = names.flat_map { |names| names.in(text) }
          all.reject { |one| all.any? { |other| other.size > one.size && other.covers?(one.from) } }.sort_by(&:from)
        end
      end

      module_function

      # @param series [Catalogue::Series]
      # @return [Array<Sentence>] one for each full stop
      def of(series)
        names = series.stacks.to_h { |stack| [stack.id, Catalogue::PieceNames.new(stack)] }
        (areas(series, names) + groups(series, names) + steps(series, names) + notes(series, names)).flat_map do |entry|
          entry.text.split(/(?<=[.!?])\s+/).map { |text| entry.with(text: text, named: entry.naming(text)) }
        end
      end

      def areas(series, names)
        series.areas.flat_map do |area|
          groups = area.opens.filter_map { |id| series.group(id) }
          area.work.map do |work|
            tools = area.tools + area.work.flat_map(&:tools) + groups.flat_map(&:tools)
            Sentence.new(place: "areas.#{area.id}.work", text: work.text, names: names.values_at(*area.stacks), phase: "work",
                         tools: tools(series, tools, groups), fasteners: [])
          end
        end
      end

      def groups(series, names)
        series.groups.flat_map do |group|
          { "open" => group.open, "close" => group.close }.map do |phase, text|
            Sentence.new(place: "groups.#{group.id}.#{phase}", text: text, names: names.values_at(*group.disturbs.keys), phase: phase,
                         tools: tools(series, group.tools + around(series, group), [group]), fasteners: fasteners(series, group.fasteners))
          end
        end
      end

      # Tools of the areas that open a group lie on the bench too.
      def around(series, group) = series.areas.select { |area| area.opens.include?(group.id) }.flat_map(&:tools)

      def steps(series, names)
        series.close_order.select(&:text).map do |step|
          Sentence.new(place: "close_order.#{step.key}", text: step.text, names: names.values_at(*step.puts.keys), phase: "close",
                       tools: tools(series, step.tools, []), fasteners: fasteners(series, [step.tighten].compact))
        end
      end

      def notes(series, names)
        { "cautions" => series.cautions, "finish" => series.finish }.flat_map do |list, entries|
          entries.map { |entry| Sentence.new(place: list, text: entry.text, names: names.values, phase: "note", fasteners: []) }
        end
      end

      def fasteners(series, ids) = ids.filter_map { |id| series.fastener(id) }

      # Drives that undo the fasteners are at hand anyway.
      def tools(series, ids, groups)
        drives = groups.flat_map(&:fasteners).filter_map { |id| series.fastener(id)&.drive }
        series.tools.select { |tool| ids.include?(tool.id) }.map(&:name) + drives
      end
    end
  end
end
