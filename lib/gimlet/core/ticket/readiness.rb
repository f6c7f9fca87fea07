# frozen_string_literal: true

require_relative "../reason"
require_relative "../value"

module Gimlet::Core
  module Ticket
    # Whether each answer of a ticket, and its order, is settled, and what stands in the way.
    #
    # `refusal` keeps it from being saved at all, nil when nothing does; `blockers` can be overcome with a reason. `settled` is
    # { answer id => Boolean }; `doubt` the key of the doubt that is settled next by saying that it stands, nil where there is none.
    Readiness = Value.of(:refusal, :blockers, :settled, :doubt) do
      # @return [Boolean] whether it is settled what the order is, be it that not all of it is to be had
      def enough? = blockers.all? { |blocker| blocker.id == Readiness::OPEN }
    end

    # Working it out.
    class Readiness
      # A field of the request, a stable code, a sentence.
      Refusal = Value.of(:field, :code, :text)
      Blocker = Value.of(:id, :text)

      PLATE = "plate_unconfirmed"
      SIZE = "size_unconfirmed"
      # Places of the agreed work stay empty.
      OPEN = "open_places"
      TEXTS = {
        "nothing" => "Say what the pump is and agree the work.",
        "not_in_catalogue" => "No pump of the catalogue explains what was seen.",
        "not_on_file" => "Some of the agreed work has nothing on file for this pump: take it off, or order it by the maker's manual. " \
                         "A valve beside the pump is a ticket of its own.",
        "unsure" => "More than one option is still likely.",
        "doubt" => "A reading that matters does not fit: check it again, strike it out, or say why it stands.",
        "cancelled" => "The order that this amends was cancelled: saving puts it in force again.",
        SIZE => "Nothing was said yet that goes by size: another size of the series, that is not on file, would fit as well.",
        PLATE => "Only a plate or a number says which pump this is, and others like it need another order."
      }.freeze
      REFUSALS = {
        sighted: Refusal.new(field: "ticket_id", code: "sighted",
                             text: "This is kept as a pump that is not on file: open it again before an order is made of it."),
        closed: Refusal.new(field: "ticket_id", code: "closed", text: "This ticket is closed: open it again first."),
        no_work: Refusal.new(field: "scope", code: "empty_scope", text: "Agree at least one work area first."),
        no_parts: Refusal.new(field: "scope", code: "nothing_to_order",
                              text: "There is nothing to order: this one has none of the agreed work on file, or its pieces are only looked over. " \
                                    "Agree work that it has, go further than what was agreed, or say what was found."),
        stop: Refusal.new(field: "stop", code: "stop_untold",
                          text: "A danger stands that the caller was not told of: read out what is done first, then say what they were told."),
        no_pump: Refusal.new(field: "pump", code: "no_pump", text: "No order leads yet: find the pump, or take one by hand.")
      }.freeze

      # @param ticket [TicketState]
      # @param identified [Identification::Identified]
      # @param workup [Plan::Workup, nil] nil while there is no order to look at
      # @param leads [Boolean] whether that is the order that what was seen leads to
      # @param amended [Order, nil] the order that saving would change
      # @param stops [Array<Safety::Stop>] dangers that stand
      # @return [Readiness]
      def self.of(ticket, identified, workup, leads:, amended:, stops: [])
        ids = workup ? identified.blockers + [("unsure" unless leads), ("cancelled" if amended&.cancelled?)].compact : ["nothing"]
        blockers = ids.uniq.map { |id| Blocker.new(id: id, text: TEXTS.fetch(id)) }
        new(refusal: REFUSALS[refusal(ticket, workup, stops)], blockers: blockers + left_open(workup), doubt: doubt(ticket, identified, ids),
            settled: settled(ticket, identified, workup, blockers.empty?))
      end

      # @param reason [String, nil] why it is saved all the same
      # @return [Refusal, nil] why it cannot be saved like this
      def refused(reason)
        return refusal if refusal || blockers.empty? || Reason.said?(reason)

        Refusal.new(field: "reason", code: "reason_needed", text: "#{blockers.map(&:text).join(' ')} Say why the order is placed all the same.")
      end

      class << self
        private

        def refusal(ticket, workup, stops)
          if ticket.state == "closed" then :closed
          elsif ticket.state == "sighted" then :sighted
          elsif stops.any? { |stop| stop.sure && stop.told.nil? } then :stop
          elsif ticket.scope.empty? then :no_work
          elsif workup.nil? then :no_pump
          elsif workup.plans.first.then { |plan| plan.lines.empty? && plan.unfilled.empty? } then :no_parts
          end
        end

        # What somebody left out by hand has its reason already.
        def left_open(workup)
          told = workup && workup.plans.first.not_covered or return []
          [Blocker.new(id: OPEN, text: "#{told}.")]
        end

        # A doubt about a reading comes before one about a lone plate or a size, which is raised when nothing else is in the way.
        def doubt(ticket, identified, ids)
          standing = identified.doubts.find { |doubt| doubt.matters && !ticket.settled.key?(doubt.key) }
          standing ? standing.key : [PLATE, SIZE].find { |key| ids == [key] }
        end

        def settled(ticket, identified, workup, enough)
          known = !workup.nil? && enough && ticket.agreed == true
          { "pump" => identified.blockers.empty? || enough, "work" => ticket.agreed == true,
            "parts" => known && workup.plans.first.unfilled.empty?, "tools" => known,
            "tightening" => known && workup.tightening.all?(&:on_file?), "hand_over" => !ticket.order_id.nil? }
        end
      end
    end
  end
end
