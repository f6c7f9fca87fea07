# frozen_string_literal: true

require_relative "kind"

module Gimlet::Core
  class Tightening
    module Kinds
      # The sheet says firm, and no more.
      class Firm < Kind
        FIRM = "firm; the sheet gives no figure"

        def text(_told, _manual) = FIRM
        def after = [FIRM]
      end
    end
  end
end
