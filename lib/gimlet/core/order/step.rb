# frozen_string_literal: true

require_relative "../desk/movements"
require_relative "../fields"
require_relative "../input_error"
require_relative "../reason"
require_relative "../roles"
require_relative "../value"
require_relative "life"

module Gimlet::Core
  class Order
    # What one step of an order's life is. Each has a file in steps/ that says all of it:
    #
    #   class Pick < Step
    #     NAME = "pick"                           # what somebody does
    #     FROM = %w[ordered waiting].freeze       # states in which it may be done
    #     RIGHT = "look"                          # who may: of Core::Roles
    #     EFFECT = %w[picked].freeze              # movements that it makes
    #     field "number", TEXT.call(40)           # what is sent
    #
    #     def self.call(body, life) ...           # checks it, and answers what comes of it
    #     def self.words(body) ...                # how the history tells it
    #   end
    #
    # Screen, API and docs/orders.md are made from these.
    class Step
      # What comes of a step: the movements, the stage where it is another, columns of the order that change, and what is kept of what was sent.
      # `loan` says what becomes of a tool.
      Outcome = Value.of(:movements, :stage, :columns, :loan, :body)

      RIGHT = "sell"
      EFFECT = [].freeze
      # Whether it goes by what was agreed: not while that is being changed.
      AS_AGREED = false
      # Whether it is begun elsewhere: by saving a ticket.
      SAVING = false
      # What is on its button, where it asks for no more than a press; what is said above the scanner, where scanned pieces make it.
      BUTTON = SCAN = nil
      # Whether its button is none of the main ones.
      QUIET = false
      # Whether the pump is due at another time after it; whether it promises the tools that are lent.
      SERVICE = PROMISES_TOOLS = false

      TEXT = ->(longest) { { "type" => "string", "minLength" => 1, "maxLength" => longest } }
      NOTE = { "type" => %w[string null], "maxLength" => 400 }.freeze
      QUANTITY = { "type" => "integer", "minimum" => 1, "maximum" => 9999 }.freeze

      # The revision of the order that somebody had before the eyes, where the step rests on it.
      REVISION = { "type" => %w[integer null] }.freeze

      class << self
        include Fields

        def schema = super.then { |own| own.merge("properties" => own["properties"].merge("revision" => REVISION)) }

        # @param role [String, nil] nil while nobody is on file
        # @return [Boolean]
        def for?(role) = role.nil? || Roles.may?(role, self::RIGHT)

        # @return [Boolean] whether it may be done now
        def from?(life) = self::FROM.include?(life.state)

        # @return [Boolean] whether it is what comes next, rather than something that may be done
        def next?(life) = !self::BUTTON.nil? || codes(life).any?

        # @return [String, nil] what is on its button now
        def button(_life) = self::BUTTON

        # @return [Array<String>] numbers that scanned pieces are wanted of
        def codes(_life) = []

        # @param body [Hash{String=>Object}] as it was sent
        # @param life [Life]
        # @return [Outcome]
        # @raise [InputError] nothing is to be done
        def call(body, _life) = outcome(body)

        # @param body [Hash{String=>Object}] as it was kept
        # @param life [Life] that this was the last step of
        # @return [Hash, nil] movements, stage, columns and loan that undo it; nil where it cannot be undone
        def undo(_body, _life) = nil

        # @return [String]
        def words(_body) = self::NAME

        private

        def outcome(body, movements: [], stage: nil, columns: {}, loan: nil)
          Outcome.new(movements: movements, stage: stage, columns: columns, loan: loan, body: body)
        end

        def move(kind, good, quantity, life, why = nil)
          Desk::Movement.new(kind: kind, number: good.number, quantity: quantity, order_id: life.id, why: why)
        end

        # Movements of those goods that have something to move.
        # @yield [Good] how many
        def moves(kind, life, why = nil)
          life.goods.filter_map { |good| (count = yield(good)).positive? ? move(kind, good, count, life, why) : nil }
        end

        def good(body, life)
          life.good(body["number"]) || reject("number", "not_ordered", "Order #{life.id} has no #{body['number']}: see its list.")
        end

        # @raise [InputError] unless there are so many
        def enough(there, body, sentence)
          body["quantity"] <= there || reject("quantity", "too_many", sentence)
        end

        # @raise [InputError] while a tool is out
        def no_tools_out(life)
          out = life.loans.select(&:out?).map(&:tag)
          out.empty? || reject("loans", "tools_out", "Tools are still out for order #{life.id}: #{out.join(', ')}. Take them back first.")
        end

        def reject(...) = InputError.reject(...)
      end
    end
  end
end
