# frozen_string_literal: true

require_relative "../step"

module Gimlet::Core
  class Order
    module Steps
      # The last step, as if it had not been taken: in the ledger as movements the other way, in the history as a step of its own.
      class Undo < Step
        NAME = "undo the last step"
        FROM = %w[quoted ordered waiting picked checked handed_over closed cancelled].freeze
        EFFECT = %w[put_back picked unchecked not_handed_over not_handed_over_unchecked not_returned not_stays_out released].freeze
        BUTTON = "Undo the last step"
        QUIET = SERVICE = true

        def self.call(_body, life)
          back = undone(life) || reject("kind", "nothing_to_undo",
                                        "The last step of order #{life.id} cannot be undone: see what can be done instead.")
          outcome({ "of" => life.last.kind, "words" => said(life), "undone" => life.last.body }, **back)
        end

        def self.button(life) = "Undo: #{said(life)}"
        def self.said(life) = Steps::ALL.fetch(life.last.kind).words(life.last.body)

        def self.next?(life) = !undone(life).nil?

        def self.undone(life)
          step = life.last && Steps::ALL.fetch(life.last.kind)
          step&.undo(life.last.body, life)
        end
        private_class_method :undone, :said

        def self.words(body) = "undone: #{body['words']}"
      end
    end
  end
end
