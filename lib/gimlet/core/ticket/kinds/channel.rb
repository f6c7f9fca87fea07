# frozen_string_literal: true

require_relative "../../2_readings/trait"
require_relative "../kind"

module Gimlet::Core
  module Ticket
    module Kinds
      # How the customer is present.
      class Channel < Kind
        USUAL = "phone"

        field "channel", { "$ref" => "#/components/schemas/Channel" }

        def self.fold(entries, _live) = { channel: entries.last&.body&.fetch("channel") || USUAL }
        def self.words(body, _areas) = Readings::CHANNELS.fetch(body["channel"])
      end
    end
  end
end
