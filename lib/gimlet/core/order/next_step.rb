# frozen_string_literal: true

require_relative "../value"
require_relative "steps"

module Gimlet::Core
  class Order
    # What is to be done next with an order, by where it stands and what somebody may do: `scan` is the step that scanned pieces make, with the
    # numbers that it still wants; `forms` are the steps that ask for more than a press; `buttons` what is pressed; `says` what there is only to
    # know; `unchecked` whether something in the bag was not looked at again, `part` whether more is still to come than is in the bag.
    #
    #   NextStep.of(life, ["pick", "cancel"]).scan # => { kind: "pick", name: "Scan each piece into the bag", codes: ["PW-K220"] }
    NextStep = Value.of(:scan, :forms, :buttons, :says, :unchecked, :part) do
      # @param life [Life]
      # @param may [Array<String>] ids of Steps
      # @return [NextStep]
      def self.of(life, may)
        steps = may.map { |id| Steps::ALL.fetch(id) }.select { |step| step.next?(life) }
        scanned, others = steps.partition { |step| step::SCAN }
        pressed, asking = others.partition { |step| step::BUTTON }
        new(scan: scanned.first&.then { |step| { kind: step.id, name: step::SCAN, codes: step.codes(life) } },
            forms: asking.map(&:id), buttons: pressed.map { |step| { kind: step.id, name: step.button(life), quiet: step::QUIET } }, says: says(life),
            unchecked: life.unchecked?, part: life.goods.any? { |good| good.open.positive? })
      end

      def self.says(life)
        case life.state
        when "quoted" then "A quote, valid until #{life.valid_until}."
        when "closed" then "Closed: nothing more is to be done."
        when "waiting"
          short = life.goods.select { |good| good.short.positive? }
          "Waits for #{short.map { |good| "#{good.short} × #{good.number} #{good.name}" }.join(', ')}."
        end
      end
      private_class_method :says
    end
  end
end
