# frozen_string_literal: true

require_relative "kind"

module Gimlet::Core
  class Tightening
    module Kinds
      # No fastener: how far it is screwed in is what it sets. It goes back by the turns that were counted, is set with a gauge, and only its lock
      # is tightened.
      class Sets < Kind
        SETS = "it sets the pressure and is never tightened: in by the turns that were counted on the way out, then set with a gauge; " \
               "only its lock is drawn tight"

        def text(_told, _manual) = SETS

        def after
          ["in by the turns that were counted", "set with a gauge, never above the weakest of pump, hose and gun", "the lock tight, the screw held"]
        end
      end
    end
  end
end
