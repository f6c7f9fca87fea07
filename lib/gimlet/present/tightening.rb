# frozen_string_literal: true

require_relative "../core/6_tightening/instruction"
require_relative "../core/6_tightening/setting"

module Gimlet
  module Present
    # One fastener group: what is published, what the customer's wrench shows, and where the bolts sit.
    module Tightening
      UNITS = Core::Units::FACTORS.fetch(:torque).keys

      module_function

      # @param one [Core::Tightening::Instruction]
      # @param workup [Core::Plan::Workup]
      # @param unit [String] of the customer's wrench
      def call(one, workup, unit)
        { fastener: one.fastener.id, name: one.fastener.name, count: one.fastener.points.size, drive: one.fastener.drive,
          kind: one.tightening.kind, text: one.text, treatment: one.tightening.treatment, source: one.tightening.source,
          points: points(one), orders: orders(one), rounds: one.rounds.map(&:text), walk: walk(one),
          round_torques: one.rounds.map { |round| round.torque && torque(round.torque.to(unit)) },
          face: face(workup.variant.series.face(one.fastener.face)), entered: one.entered, doubt: doubt(one),
          **values(one, workup, unit) }
      end

      def values(one, workup, unit)
        published = one.tightening.torque
        wrench = workup.wrenches.for(one.targets_nm.last) if published
        { published: published && torque(published), asked: published && torque(published.to(unit)), wrench: wrench&.name,
          tolerance: one.tightening.tolerance && torque(one.tightening.tolerance.to(unit)),
          setting: published && setting(one.tightening, wrench, unit, workup.extension),
          conversions: published ? UNITS.map { |other| torque(published.to(other)) } : [],
          passes: one.passes.map { |pass| torque(pass.to(unit)) } }
      end

      def torque(quantity)
        { text: Core::Tightening::Words.torque(quantity), value: quantity.round(4), unit: quantity.unit }
      end

      def points(one)
        order = one.sequences.flat_map { |set| set.each_with_index.map { |point, at| [point, at + 1] } }.to_h
        one.fastener.points.map { |point| point.to_h.slice(:label, :x_mm, :y_mm).merge(order: order[point]) }
      end

      def setting(tightening, wrench, unit, extension)
        told = Core::Tightening::Setting.for(tightening, wrench, unit, extension)
        extension ? "#{told} (for an extension of #{extension})" : told.to_s
      end

      def doubt(one)
        Core::Tightening::Entered.new(torque: one.tightening.torque, source: one.tightening.source).doubt(one.fastener) if one.entered
      end

      # Every turn of the wrench: which of the points, in which round.
      def walk(one)
        places = one.fastener.points.each_with_index.to_h.compare_by_identity
        one.walk.map { |point, round| { point: places.fetch(point), round: round } }
      end

      # For each set the labels in their order, to be read where nothing is drawn.
      def orders(one)
        one.sequences.zip(one.fastener.sets).map { |points, set| { name: set.name, labels: points.map(&:label) } }
      end

      def face(one)
        return unless one

        features = (one.features || []).map do |kind, label, x, y, diameter|
          { kind: kind, label: label, x_mm: x, y_mm: y, diameter_mm: diameter }
        end
        { name: one.name, width_mm: one.width_mm, height_mm: one.height_mm, features: features }
      end
    end
  end
end
