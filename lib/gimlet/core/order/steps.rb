# frozen_string_literal: true

require_relative "../input_error"
require_relative "../value"
require_relative "life"
require_relative "steps/accept"
require_relative "steps/amend"
require_relative "steps/cancel"
require_relative "steps/check"
require_relative "steps/check_alone"
require_relative "steps/close"
require_relative "steps/discount"
require_relative "steps/hand_over"
require_relative "steps/lend"
require_relative "steps/name"
require_relative "steps/pick"
require_relative "steps/place"
require_relative "steps/prolong"
require_relative "steps/put_back"
require_relative "steps/quote"
require_relative "steps/serve_first"
require_relative "steps/take_back"
require_relative "steps/tool_back"
require_relative "steps/undo"

module Gimlet::Core
  class Order
    # The steps of an order's life: another one is another file in steps/ and a line here.
    #
    #   Steps.check("pick", Life.new(stage: "closed", goods: []), "counter") # raises: Order 7 is closed: it cannot … any more. …
    module Steps
      ALL = [Quote, Place, Amend, Prolong, Accept, Discount, Name, ServeFirst, Pick, PutBack, Check, CheckAlone, HandOver, Lend, ToolBack, TakeBack,
             Close, Undo, Cancel].to_h { |step| [step.id, step] }.freeze

      module_function

      # @return [Array<Class>] those that are sent as steps; the others come of saving a ticket
      def sent = ALL.values.reject { |step| step::SAVING }

      # @param role [String, nil] nil while nobody is on file
      # @return [Array<String>] what may be done now
      def may(life, role = nil) = ALL.values.select { |step| step.from?(life) && step.for?(role) }.map(&:id)

      # @return [Class] the step
      # @raise [InputError] unless it may be done now
      def check(id, life)
        step = ALL.fetch(id)
        return step if step.from?(life)

        others = (may(life) - %w[name]).map { |other| ALL.fetch(other)::NAME }
        InputError.reject("kind", "not_now", "Order #{life.id} is #{told(life)}: “#{step::NAME}” is not for then. " \
                                             "#{others.empty? ? 'Nothing more is to be done.' : "What can be done: #{others.join(', ')}."}")
      end

      def told(life) = { "quoted" => "a quote" }.fetch(life.state, States.name(life.state))
    end
  end
end
