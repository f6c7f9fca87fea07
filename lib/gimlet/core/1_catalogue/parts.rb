# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Catalogue
    # One catalogue number. `spec` holds sizes and looks, such as { "id_mm" => 20.0 }. `interchange` are numbers that serve the same.
    # `stand_ins` may take its place for a while.
    Part = Value.of(:number, :name, :spec, :superseded_by, :interchange, :stand_ins) do
      def hash = number.hash
    end

    # Part `part` serves for now: never preferred, and always said with its `note`.
    StandIn = Value.of(:part, :note)

    # A sold set. `contents` is { part number => quantity }; `per` says what it is for ("pump", "cylinder", "end" ...); `condition` names
    # the pumps it may be sold for; `checked` are of Checked.
    Kit = Value.of(:number, :name, :per, :contents, :checked, :condition)
  end
end
