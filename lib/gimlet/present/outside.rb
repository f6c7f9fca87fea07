# frozen_string_literal: true

require_relative "../core/outside/mark"

module Gimlet
  module Present
    # A side of a pump, as the API answers it: marks in the order in which they are drawn, in mm, y upward.
    module Outside
      module_function

      # @param view [Core::Outside::View]
      # @return [Hash]
      def view(view)
        { id: view.id, name: view.name, box: rounded(view.box), marks: view.marks.map { |mark| self.mark(mark) } }
      end

      def mark(mark)
        { kind: mark.kind, tone: Core::Outside::KINDS.fetch(mark.kind), label: mark.label, outline: mark.outline&.map { |point| rounded(point) },
          circle: mark.circle && rounded(mark.circle), at: mark.at || [], guessed: mark.guessed ? true : false }
      end

      def rounded(values) = values.map { |value| value.to_f.round(1) }
    end
  end
end
