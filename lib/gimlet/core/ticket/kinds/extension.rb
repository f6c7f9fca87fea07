# frozen_string_literal: true

require_relative "../../6_tightening/extension"
require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # What is between wrench and bolt; all nil without one.
      class Extension < Kind
        SIZES = %w[lever_mm extension_mm angle_deg].freeze

        field "lever_mm", OPTIONAL_NUMBER
        field "extension_mm", OPTIONAL_NUMBER
        field "angle_deg", OPTIONAL_NUMBER, required: false

        def self.check(body, _known) = body.tap { body["lever_mm"] && Tightening::Extension.of(*body.values_at(*SIZES).compact) }

        def self.fold(entries, _live)
          body = entries.last&.body
          { extension: body && body["lever_mm"] ? { angle_deg: 0, **symbols(body.slice(*SIZES).compact) } : nil }
        end

        def self.words(body, _areas)
          return "no extension" unless body["lever_mm"]

          turned = " turned #{body['angle_deg']}°" if body["angle_deg"].to_f.positive?
          "an extension of #{body['extension_mm']} mm#{turned} on a lever of #{body['lever_mm']} mm"
        end
      end
    end
  end
end
