# frozen_string_literal: true

require_relative "../core/0_quantities/units"
require_relative "../core/4_demand/fates"
require_relative "../core/order/places"
require_relative "../core/ear/commands"
require_relative "../core/ear/operators"
require_relative "../core/order/steps"
require_relative "../core/reason"
require_relative "../core/roles"
require_relative "../core/1_catalogue/wet_end"
require_relative "../core/2_readings/vocabulary"
require_relative "../core/9_identification/order_classes"
require_relative "../core/3_teardown/extent"
require_relative "../core/5_kit_plan/plans"

module Gimlet
  module Present
    # The words a client needs to build its menus.
    #
    #   Vocabulary.call(reference)[:roles] # => ["counter", "bench", "keeper", "owner"]
    module Vocabulary
      module_function

      # @param reference [Counter::Reference]
      def call(reference)
        { traits: reference.vocabulary.traits.values.map { |trait| trait(trait, reference) },
          channels: named(Core::Readings::CHANNELS), observers: Core::Readings::Likelihoods::OBSERVERS.keys,
          tools: Core::MeasuringTools::RESOLUTION.keys, complaints: named(reference.vocabulary.complaints.transform_values(&:name)),
          work_areas: named(reference.snapshot.areas), extents: named(Core::Extent::NAMES),
          outcomes: named(Core::Catalogue::OUTCOMES),
          roles: Core::Roles::ALL, fates: named(Core::Fates::DRAWN), places: named(Core::Order::Places::HOW), commands: Core::Ear::Commands::ALL.map(&:to_h),
          operators: Core::Ear::Operators::ALL.map(&:to_h),
          order_states: named(Core::Order::States::ALL.transform_values(&:name)), return_reasons: named(Core::Order::Steps::TakeBack::REASONS),
          currencies: Core::Money::SIGNS.keys, shortest_reason: Core::Reason::SHORTEST, units: Core::Units::FACTORS.fetch(:torque).keys,
          policies: named(Core::KitPlan::POLICIES),
          enough: Core::Identification::OrderClasses::ENOUGH, **rubber(reference.tables.elastomers) }
      end

      def rubber(table)
        { materials: table.elastomers.map do |elastomer|
          { id: elastomer.id, name: elastomer.name }
        end, media: named(table.media), lubricants: table.lubricants }
      end

      def trait(trait, reference)
        values = if !trait.kind.listed? then []
                 elsif trait.slot then reference.field.column(trait.slot).values.compact.flatten(1).filter_map do |object|
                   object[trait.axis]
                 end.uniq.map(&:to_s).sort
                 else reference.field.column(trait.id).values.compact.map(&:to_s).sort
                 end
        trait.to_h.slice(:id, :name, :unit).merge(kind: trait.kind_id, say: trait.ask, values: values)
      end

      def named(table) = table.map { |id, name| { id: id, name: name } }
    end
  end
end
