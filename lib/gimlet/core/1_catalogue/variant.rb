# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Catalogue
    # `service` is what a valve bears and does: "temperature_c", "on_shut", "bypass_port", "sold_as".
    Model = Value.of(:designation, :popularity, :traits, :stroke_mm, :rod_mm, :service)

    # From serial `from` on, some parts differ. `share_from` is the part of the pumps in use that are newer.
    SerialBreak = Value.of(:id, :from, :models, :note, :share_from, :traits_before, :traits_from)

    # A model between two serial breaks: the smallest thing that can be told apart by parts.
    # `first_serial` is included, `end_serial` is not; nil is open.
    SOFT = %w[brass aluminium plastic].freeze
    Variant = Value.of(:series, :model, :first_serial, :end_serial, :traits, :sides, :share) do
      def hash = [model.designation, first_serial].hash

      # @return [String] unique in a catalogue
      def id = [designation, serial_range].compact.join(" ")
      def designation = model.designation
      def trait(name) = traits[name]

      # @return [Numeric] how often it comes over a counter, wherever that is
      def usual_weight = model.popularity * share

      # @return [Boolean] whether threads in its head strip sooner than those of steel
      def soft? = SOFT.include?(trait("manifold_material"))

      # @return [Array<String>] the designation, and with the series mark abbreviated as some plates have it
      def spellings
        shorter = series.abbreviations.select { designation.start_with?(series.name) }
        [designation, *shorter.map { |mark| designation.sub(series.name, mark) }]
      end

      def before?(break_id) = sides[break_id] == :before
      def from?(break_id) = sides[break_id] == :from

      # @return [String, nil] "from 31000", "before 31000", nil when serials do not matter
      def serial_range
        return "#{first_serial} to #{end_serial - 1}" if first_serial && end_serial
        return "from #{first_serial}" if first_serial

        "before #{end_serial}" if end_serial
      end

      def covers_serial?(serial)
        (first_serial.nil? || serial >= first_serial) && (end_serial.nil? || serial < end_serial)
      end
    end

    # Splitting models at their serial breaks.
    class Variant
      # @param series [Series]
      # @return [Array<Variant>] one or more for each model, oldest first
      def self.of_series(series)
        series.models.flat_map { |model| of_model(series, model) }
      end

      def self.of_model(series, model)
        breaks = series.serial_breaks.select { |serial_break| serial_break.models.nil? || serial_break.models.include?(model.designation) }
                       .sort_by(&:from)
        (0..breaks.size).map { |newer| build(series, model, breaks.take(newer), breaks.drop(newer)) }
      end

      def self.build(series, model, passed, ahead)
        last, upcoming = passed.last, ahead.first
        new(series: series, model: model, first_serial: last&.from, end_serial: upcoming&.from,
            traits: traits(series, model, passed, ahead), sides: sides(passed, ahead),
            share: (last ? last.share_from : 1.0) - (upcoming ? upcoming.share_from : 0.0))
      end

      def self.traits(series, model, passed, ahead)
        names = { "series" => series.name, "maker" => series.maker.name, "item" => series.item }
        series.traits.merge(model.traits, *passed.map(&:traits_from), *ahead.map(&:traits_before), names)
      end

      def self.sides(passed, ahead)
        passed.to_h { |serial_break| [serial_break.id, :from] }.merge(ahead.to_h { |one| [one.id, :before] })
      end
      private_class_method :of_model, :build, :traits, :sides
    end
  end
end
