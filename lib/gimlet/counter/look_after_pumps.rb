# frozen_string_literal: true

require "date"
require_relative "../core/0_quantities/typed_day"
require_relative "../core/desk/due"
require_relative "../core/input_error"

module Gimlet
  module Counter
    # What is known of each customer's pump, and when it is due again.
    #
    #   LookAfterPumps.new(pumps, snapshot).due(9).first.text # => "12 months after order 7 of 3 March 2026"
    class LookAfterPumps
      # Days after which one is rung again that did not say when.
      AGAIN = 30

      # @param pumps [Store::Pumps]
      # @param snapshot [Core::Catalogue::Snapshot] of today
      # @param today [Date]
      def initialize(pumps, snapshot, today:)
        @pumps = pumps
        @snapshot = snapshot
        @today = today
      end

      # @param request [Hash{String=>Object}] of the OpenAPI schema CustomerPump
      # @return [Integer] its id
      # @raise [Core::InputError]
      def add(customer_id, request) = @pumps.add(customer_id, checked(request)).tap { |id| settle(id) }

      # @param request [Hash{String=>Object}] of the OpenAPI schema CustomerPump
      def change(id, request)
        @pumps.change(id, checked(request))
        settle(id)
      end

      # @return [Array<Core::Desk::Due::Reason>]
      def due(id)
        row = @pumps.find(id)
        pump = Core::Desk::Due::Pump.new(designation: row[:designation], months: row[:months], hours_per_week: row[:hours_per_week],
                                         by_hand: row[:due_by_hand] && Date.parse(row[:due_by_hand]), served: @pumps.served(id))
        Core::Desk::Due.of(pump, intervals(row[:designation]))
      end

      # Works out again when it is due; whoever was rung about what was due before may be rung anew.
      def settle(id) = @pumps.due_on(id, Core::Desk::Due.date(due(id)))

      # @param again_on [String, nil] when they want to be rung again
      # @param said [String] what they said
      def rung(id, again_on, said = "")
        day = again_on ? Core::TypedDay.ahead(again_on, @today, field: "again_on") : @today + AGAIN
        day > @today || Core::InputError.reject("again_on", "past", "#{again_on} is not to come: name a later day.")
        @pumps.rung(id, day.iso8601, said)
      end

      private

      def intervals(designation)
        variant = @snapshot.variants_of(designation).max_by(&:share) or return []
        layers = variant.series.stacks.flat_map { |stack| stack.layers_of(variant) }.select(&:interval)
        layers.uniq(&:slot).map do |layer|
          Core::Desk::Due::Interval.new(slot: layer.slot, name: layer.name, hours: layer.interval["hours"], months: layer.interval["months"])
        end
      end

      def checked(request)
        told = request.slice(*Store::Pumps::FIELDS.map(&:to_s)).transform_keys(&:to_sym)
        told[:designation] = named(told[:designation]) if told[:designation]
        told[:due_by_hand] = by_hand(told[:due_by_hand]) if told.key?(:due_by_hand)
        told
      end

      def by_hand(text) = text.to_s.empty? ? nil : Core::TypedDay.of(text, @today, field: "due_by_hand").iso8601

      def named(text)
        typed = text.strip.upcase
        typed.empty? && Core::InputError.reject("designation", "missing", "Say which pump it is, as its plate has it.")
        @snapshot.variants.map(&:designation).find { |one| one.upcase == typed } || text.strip
      end
    end
  end
end
