# frozen_string_literal: true

require_relative "../1_catalogue/layer"
require_relative "../1_catalogue/piece_names"
require_relative "build_up"
require_relative "gap"

module Gimlet::Core
  module Assembly
    # Every piece that is renewed stands in a step; one that no sentence names gets a step that follows from its layer.
    #
    #   Pieces.new(teardown, places).told # => ["New plug O-ring; under the plug, above the cage; grease."]
    class Pieces
      # @param teardown [Teardown] once it is decided what is renewed
      # @param renewed [Array<Teardown::Place>]
      def initialize(teardown, renewed)
        @teardown = teardown
        @series = teardown.variant.series
        @names = {}
        @unsaid = renewed.uniq { |place| [place.stack.id, place.at] }.group_by(&:stack).flat_map { |stack, places| unnamed(stack, places) }
      end

      # @return [Array<Teardown::Place>] pieces that are renewed and that no sentence names
      attr_reader :unsaid

      # @return [Array<String>] one for each, in the order in which they go in where that is on file
      def told
        @unsaid.group_by(&:stack).flat_map do |stack, places|
          order = BuildUp.order(@series, stack, stack.layers)
          places.sort_by { |place| order.index(place.at) || place.at }.map { |place| sentence(place.layer) }
        end
      end

      # @return [Array<Gap>]
      def gaps
        @unsaid.map do |place|
          Gap.new(place: "stacks.#{place.stack.id}", text: "“#{place.layer.name}” is renewed and no sentence names it: say where it goes in.")
        end
      end

      private

      def sentence(layer) = "New #{layer.name}#{[nil, *Catalogue::LayerFields.in_words(layer)].compact.map { |words| "; #{words}" }.join}."

      def unnamed(stack, places)
        said = texts(stack).flat_map { |text, slots| named(stack, text, slots) }
        places.reject { |place| said.include?(place.at) }
      end

      # What is said where this stack may be meant, and which of its pieces: in the words of a cap only what sits on the cap.
      # @return [Array<Array(String, Array<String>)>]
      def texts(stack)
        all = stack.layers.map(&:slot)
        work(stack, all) + back_on(stack) + closed(stack)
      end

      def work(stack, all)
        areas = @teardown.areas.map { |area| [area, @teardown.work(area)] } + @teardown.on_the_way.to_a
        sentences = areas.select { |area, _| speaks_of?(area, stack) }.flat_map(&:last)
        sentences.map { |one| [one.text, one.of ? with_inside(stack, one.of) : all] }
      end

      # Of what it renews, and of what it opens.
      def speaks_of?(area, stack)
        area.stacks.include?(stack.id) || area.opens.any? { |id| @series.group(id).disturbs.key?(stack.id) }
      end

      # What is said of taking it out puts nothing in.
      def back_on(stack)
        groups = @teardown.groups.select { |group| group.disturbs.key?(stack.id) }
        groups.map { |group| [group.close, with_inside(stack, group.disturbs[stack.id])] }
      end

      def closed(stack)
        steps = @series.close_order.select { |step| step.text && step.puts.key?(stack.id) }
        steps.map { |step| [step.text, with_inside(stack, step.puts[stack.id])] }
      end

      def with_inside(stack, slots) = slots | stack.layers.select { |layer| slots.include?(layer.inside) }.map(&:slot)

      # @return [Array<Integer>] places in the stack
      def named(stack, text, slots)
        at = stack.layers.each_index.select { |place| slots.include?(stack.layers[place].slot) }
        (names(stack, stack.layers.each_index.to_a).in(text).map(&:at) + names(stack, at).in(text).map { |one| at[one.at] }).uniq
      end

      def names(stack, at) = @names[[stack.id, at]] ||= Catalogue::PieceNames.new(stack.with(layers: stack.layers.values_at(*at)))
    end
  end
end
