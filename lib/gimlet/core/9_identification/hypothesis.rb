# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Identification
    # Something that readings may be of. This room knows nothing of pumps but for the folder `pumps/`: `traits` is
    # { trait id or slot => value }, `weight` how often it comes over the counter, `family` what its siblings have in common.
    #
    # Values: numbers and words as on file; a Range of serials; for plates and numbers an array of names; for a slot (a seal, a
    # spring) an array of objects, each an array of sizes by axis.
    Hypothesis = Value.of(:id, :traits, :weight, :family) do
      # @return [Array<String>] what it is called on its plate
      def names = traits["plate"] || []
    end
  end
end
