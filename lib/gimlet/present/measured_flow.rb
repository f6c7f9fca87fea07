# frozen_string_literal: true

require_relative "../core/0_quantities/units"
require_relative "../core/flow/figures"

module Gimlet
  module Present
    # What flow and pressure come to, in the customer's units: verdict, curves, sums, in the order of the eye.
    class MeasuredFlow
      UNITS = { "flow" => "L/min", "pressure" => "bar" }.freeze

      # @param found [Counter::MeasureFlow::Found]
      # @param units [Hash{String=>String}] "flow" and "pressure", as the customer has them
      # @return [Hash] of the OpenAPI schema MeasuredFlow
      def self.call(found, units = {}) = new(found, UNITS.merge(units)).call

      def initialize(found, units)
        @found = found
        @units = units
      end

      def call
        { verdict: verdict, suspects: suspects, told: @found.told.map { |one| { name: one.name, share: one.share.round(3), sum: one.sum } },
          given: figures(@found.solved&.given || {}), worked: (@found.solved&.worked || {}).values.map { |one| worked(one) },
          disagreements: (@found.solved&.disagreements || []).map { |one| disagreement(one) }, curves: curves,
          nozzles: @found.nozzles.map { |one| nozzle(one) } }
      end

      private

      def verdict
        first = suspects.first
        return @found.doubt if @found.doubt
        return "These figures cannot all be true." if @found.solved&.disagreements&.any? && @found.bucket.nil?
        return "#{first[:name].capitalize}: #{first[:because]}." if first && @found.diagnosis.named
        return "Not settled: #{suspects.first(3).map { |suspect| "#{suspect[:name]} #{(suspect[:probability] * 100).round} %" }.join(', ')}." if first
        return sound if @found.told.any?
        return "#{flow} #{@units['flow']} into the bucket. Name the pump, its rated flow or the nozzle and the pressure to judge it." if @found.bucket

        @found.solved&.worked&.any? ? "The rest follows." : "Nothing follows from these figures: give one more."
      end

      # A complaint is not gone because no figure is amiss.
      def sound
        likely = @found.complained ? @found.diagnosis.suspects.first(3).map { |one| one.cause.name } : []
        return "As far as this goes, nothing is wrong." if likely.empty?

        "These figures are as they should be: what was complained of has another cause, likely #{likely.join(', ')}."
      end

      # What was measured alone points to nothing while all of it is as it should be.
      def suspects
        @suspects ||= (amiss? ? @found.diagnosis&.suspects || [] : []).map do |one|
          { id: one.cause.id, name: one.cause.name, because: one.cause.because, mend: one.cause.mend, probability: one.probability.round(3) }
        end
      end

      def flow = rounded(in_unit(@found.bucket.flow, "L/min", @units["flow"])).round(1)
      def amiss? = @found.told.any?(&:amiss?)

      def nozzle(one)
        { number: one.number, pressure: pressure(one.bar), unit: @units["pressure"], nearest: one.nearest,
          count: one.count, warning: one.warning }
      end

      def figures(told) = told.map { |id, value| figure(id, value) }

      def figure(id, value)
        one = Core::Flow::FIGURES.fetch(id)
        unit = @units.fetch(id, one.unit)
        { id: id, name: one.name, value: rounded(in_unit(value, one.unit, unit)), unit: unit }
      end

      def in_unit(value, from, unit) = from && unit != from ? value * Core::Units.factor(from) / Core::Units.factor(unit) : value

      def rounded(value)
        value = value.to_f
        if value.abs >= 1000
          value.round
        else
          value.round(value.abs >= 100 ? 1 : 3)
        end
      end

      def worked(figure)
        assumed = figure.assumed.map { |id| Core::Flow::FIGURES.fetch(id).usual_because }
        { **figure(figure.id, figure.value), sum: figure.sum, assumed: assumed }
      end

      def disagreement(disagreement)
        { sum: "#{disagreement.sum}.", would_be: disagreement.would_be.map { |id, value| figure(id, value) } }
      end

      def curves
        told = @found.curves or return
        { pump: points(told.pump), nozzle: points(told.nozzle), working: point(told.working), measured: measured,
          units: @units.slice("flow", "pressure"), range: @found.range && range(@found.range) }
      end

      # Where it really runs, if a gauge and a bucket say so.
      def measured
        bucket = @found.bucket
        point([bucket.bar, bucket.flow]) if bucket&.bar
      end

      def range(told)
        { name: told[:name], pressure: told[:pressure]&.map { |one| pressure(one) }, flow: told[:flow]&.map { |one| flow_in(one) } }
      end

      def points(all) = all.map { |one| point(one) }
      def point((bar, litres)) = [pressure(bar), flow_in(litres)]
      def pressure(bar) = bar && rounded(in_unit(bar, "bar", @units["pressure"]))
      def flow_in(litres) = litres && rounded(in_unit(litres, "L/min", @units["flow"]))
    end
  end
end
