# frozen_string_literal: true

require_relative "../../3_teardown/extent"
require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # How far the work goes.
      class Extent < Kind
        field "extent", { "$ref" => "#/components/schemas/Extent" }

        def self.fold(entries, _live) = { extent: entries.last&.body&.fetch("extent") || Gimlet::Core::Extent::USUAL }
        def self.words(body, _areas) = Gimlet::Core::Extent::NAMES.fetch(body["extent"])
      end
    end
  end
end
