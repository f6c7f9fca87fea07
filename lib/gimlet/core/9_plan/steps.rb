# frozen_string_literal: true

require_relative "../1_catalogue/wet_end"
require_relative "../value"

module Gimlet
  module Core
    module Plan
      # `fasteners` are ids whose tightening belongs to this step.
      Step = Value.of(:phase, :title, :text, :fasteners)

      # The work in bench order: off, renew, back on in reverse.
      module Steps
        module_function

        # @param teardown [Teardown]
        # @return [Array<Step>]
        def for(teardown)
          off = teardown.groups.map { |group| Step.new(phase: "open", title: group.name, text: [group.open], fasteners: []) }
          work = teardown.areas.map do |area|
            Step.new(phase: "renew", title: Catalogue::WORK_AREAS.fetch(area.id), text: area.work, fasteners: [])
          end
          back = teardown.groups.reverse.map do |group|
            Step.new(phase: "close", title: group.name, text: [group.close], fasteners: group.fasteners)
          end
          off + work + back
        end
      end
    end
  end
end
