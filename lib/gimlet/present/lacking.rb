# frozen_string_literal: true

module Gimlet
  module Present
    # What stands in the way of an order, in sentences; none of it keeps a specialist from placing it with a reason.
    module Lacking
      TEXTS = {
        "nothing" => "Say what the pump is and agree the work.",
        "not_in_catalogue" => "No pump of the catalogue explains what was seen.",
        "not_on_file" => "Some of the agreed work has nothing on file for this pump: take it off, or order it by the maker's manual. " \
                         "A valve beside the pump is a ticket of its own.",
        "unsure" => "More than one order is still likely.",
        "doubt" => "A reading that matters does not fit: check it again, strike it out, or say why it stands.",
        "cancelled" => "The order that this amends was cancelled: saving puts it in force again.",
        "plate_unconfirmed" => "Only a plate or a number says which pump this is, and others like it need another order."
      }.freeze

      # @param ids [Array<String>]
      # @return [Array<Hash>] id and text
      def self.call(ids) = ids.map { |id| { id: id, text: TEXTS.fetch(id) } }
    end
  end
end
