# frozen_string_literal: true

require_relative "../core/6_tightening/instruction"
require_relative "../core/6_tightening/setting"

module Gimlet
  module Present
    # One fastener group: what is published, what the customer's wrench shows, and where the bolts sit.
    module Tightening
      UNITS = %w[N·m lbf·in lbf·ft kgf·m].freeze

      module_function

      # @param instruction [Core::Tightening::Instruction]
      # @param workup [Core::Plan::Workup]
      # @param unit [String] of the customer's wrench
      def call(instruction, workup, unit)
        fastener = instruction.fastener
        { fastener: instruction.id, name: instruction.name, count: fastener.points.size, drive: fastener.drive, text: instruction.text,
          **instruction.tightening.to_h.slice(:kind, :treatment, :source),
          points: points(instruction), orders: orders(instruction), rounds: instruction.rounds.map(&:text), walk: walk(instruction),
          round_torques: instruction.rounds.map { |round| round.torque && torque(round.torque.to(unit)) },
          checked: Core::Catalogue::Checked.in_words(instruction.tightening.checked), face: face(workup.variant.series.face(fastener.face)),
          entered: instruction.entered, doubt: doubt(instruction),
          **values(instruction, workup, unit) }
      end

      def values(one, workup, unit)
        published = one.tightening.torque
        wrench = workup.wrenches.for(one.settings_nm(workup.extension).last) if published
        { published: published && torque(published), asked: published && torque(published.to(unit)), wrench: wrench&.name,
          tolerance: one.tightening.tolerance && torque(one.tightening.tolerance.to(unit)),
          setting: published && setting(one.tightening, wrench, unit, workup),
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

      def setting(tightening, wrench, unit, workup)
        extension = workup.extension
        told = Core::Tightening::Setting.for(tightening, wrench, unit, extension, soft: workup.variant.soft?)
        extension ? "#{told} (for an extension of #{extension})" : told.to_s
      end

      def doubt(doubt)
        Core::Tightening::Entered.new(torque: doubt.tightening.torque, source: doubt.tightening.source).doubt(doubt.fastener) if doubt.entered
      end

      # Every turn of the wrench: which of the points, in which round.
      def walk(walk)
        places = walk.fastener.points.each_with_index.to_h.compare_by_identity
        walk.walk.map { |point, round| { point: places.fetch(point), round: round } }
      end

      # For each set the labels in their order, to be read where nothing is drawn.
      def orders(order)
        order.sequences.zip(order.fastener.sets).map { |points, set| { name: set.name, labels: points.map(&:label) } }
      end

      def face(face)
        return unless face

        features = (face.features || []).map do |kind, label, x, y, diameter|
          { kind: kind, label: label, x_mm: x, y_mm: y, diameter_mm: diameter }
        end
        { name: face.name, width_mm: face.width_mm, height_mm: face.height_mm, features: features }
      end
    end
  end
end
