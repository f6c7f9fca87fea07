# frozen_string_literal: true

require_relative "../input_error"
require_relative "../value"
require_relative "kinds"

module Gimlet::Core
  module Readings
    # How a customer can be present.
    CHANNELS = { "phone" => "on the phone", "counter" => "pump on the counter",
                 "parts" => "only old parts in hand", "photo" => "photo" }.freeze
    # Who looks, by that; of Likelihoods::OBSERVERS.
    OBSERVER = { "phone" => "caller", "counter" => "counter", "parts" => "counter", "photo" => "photo" }.freeze

    # Something that can be seen, read or measured. A row of the vocabulary; docs/vocabulary.md says what each key means. `practice` is how
    # often it is mistaken elsewhere, where this counter has learned its own rate; `kind` knows how to hear, read, weigh and label a reading of it.
    Trait = Value.of(:id, :kind, :name, :unit, :ask, :called, :values, :alone, :alone_unit, :across, :of_head, :optional, :seconds,
                     :mistaken, :practice, :most, :wears, :slot, :axis, :many, :identity, :per, :group, :view, :look, :pictured) do
      # Traits are keys of many tables: their id tells them apart well enough.
      def hash = id.hash

      # @return [String] what the vocabulary calls its kind
      def kind_id = Kinds::ALL.key(kind)

      # @param channel [String]
      # @return [Integer, nil] seconds to answer; nil when it cannot be answered so
      def cost(channel) = seconds[channel]

      # @return [Boolean] whether seeing it means taking the pump apart
      def opened? = group == "opened"
    end

    # Reading rows.
    class Trait
      REQUIRED = %w[id kind name ask seconds].freeze
      DEFAULTS = { called: [], values: {}, alone: [], mistaken: 0.05 }.freeze

      # @param row [Hash] string keys
      # @return [Trait]
      # @raise [InputError] names the row and the key
      def self.from(row)
        lacking = REQUIRED.reject { |key| row[key] }
        InputError.reject("traits.#{row['id']}", "bad_trait", "A trait needs #{lacking.join(', ')}.") if lacking.any?
        unless Kinds::ALL.key?(row["kind"])
          InputError.reject("traits.#{row['id']}.kind", "bad_trait", "“#{row['kind']}” is not a kind of trait: use " \
                                                                     "#{Kinds::ALL.keys.join(', ')}.")
        end
        unknown = row.keys - (members.map(&:to_s) - ["practice"])
        InputError.reject("traits.#{row['id']}", "bad_trait", "A trait has no key “#{unknown.first}”.") if unknown.any?
        new(**DEFAULTS, **row.transform_keys(&:to_sym), kind: Kinds::ALL.fetch(row["kind"]))
      end
    end
  end
end
