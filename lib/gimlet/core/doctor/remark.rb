# frozen_string_literal: true

require_relative "../nearest"
require_relative "../value"

module Gimlet::Core
  class Doctor
    # `level` is "error" (an order would be wrong or incomplete: the document is refused) or "warning". `text` says what is wrong and how
    # to put it right.
    Remark = Value.of(:level, :place, :text) do
      def error? = level == "error"
    end

    # What a check says.
    module Saying
      private

      def error(place, text) = Remark.new(level: "error", place: place, text: text)
      def warning(place, text) = Remark.new(level: "warning", place: place, text: text)
      def instead(wrong, known) = Nearest.instead(wrong, known)
    end
  end
end
