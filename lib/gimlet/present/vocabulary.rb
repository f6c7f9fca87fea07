# frozen_string_literal: true

require_relative "../core/0_quantities/units"
require_relative "../core/1_catalogue/wet_end"
require_relative "../core/2_readings/reading"
require_relative "../core/3_candidates/order_classes"
require_relative "../core/6_kit_plan/plans"

module Gimlet
  module Present
    # The words a client needs to build its menus.
    module Vocabulary
      module_function

      # @param snapshot [Core::Catalogue::Snapshot]
      def call(snapshot)
        { traits: Core::Readings::TRAITS.values.map { |trait| trait(trait, snapshot) },
          channels: named(Core::Readings::CHANNELS), observers: Core::Readings::OBSERVERS.keys,
          tools: Core::Readings::TOOLS.keys, work_areas: named(Core::Catalogue::WORK_AREAS),
          units: Core::Units::FACTORS.fetch(:torque).keys, policies: named(Core::KitPlan::POLICIES),
          enough: Core::Candidates::OrderClasses::ENOUGH }
      end

      def trait(trait, snapshot)
        values = trait.kind == :chosen ? snapshot.variants.filter_map { |one| one.trait(trait.id) }.uniq.map(&:to_s).sort : []
        trait.to_h.slice(:id, :name, :kind, :unit, :say).merge(values: values)
      end

      def named(table) = table.map { |id, name| { id: id, name: name } }
    end
  end
end
