# frozen_string_literal: true

require_relative "../value"

module Gimlet
  module Core
    module Catalogue
      # One catalogue number. `spec` holds measured sizes and looks, such as { "id_mm" => 20.0 }.
      Part = Value.of(:number, :name, :spec, :superseded_by, :interchange)

      # A sold set. `contents` is { part number => quantity }; `condition` names the pumps it may be sold for.
      Kit = Value.of(:number, :name, :contents, :condition)
    end
  end
end
