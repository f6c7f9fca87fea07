# frozen_string_literal: true

require_relative "kind"

module Gimlet::Core
  class Tightening
    module Kinds
      # The sheet has no value: it says so, and none is made up.
      class None < Kind
        def text(_told, manual) = "no value on file: look in #{manual}"
        def on_file? = false
      end
    end
  end
end
