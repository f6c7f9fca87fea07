# frozen_string_literal: true

require_relative "../plain"
require_relative "remark"
require_relative "part_sizes"

module Gimlet::Core
  class Doctor
    # Parts that serve one slot on the sizes of a pump are a family: they grow with the trait that they go by, in even steps, and are called by
    # it; tools and kits for some sizes are too.
    class Families
      include Saying

      # How far a size may be from the trait that it goes by. Common practice, no source.
      NEAR_MM = 1.5
      # How many times the usual size of a family is too much.
      OUTLYING = 2.5
      ROUND = %w[id_mm od_mm].freeze

      # One part of a family and the value of the trait that it is for.
      Member = Value.of(:part, :goes_by, :fit)

      # @param series [Catalogue::Series]
      def initialize(series, known)
        @series = series
        @measured = known.traits ? known.traits.select { |_, trait| trait.kind_id == "measured" }.keys : %w[plunger_mm]
        @parts = series.parts.to_h { |part| [part.number, part] }
      end

      # @return [Array<Remark>]
      def call
        kin = families.flat_map { |slot, trait, members| near(slot, trait, members) + steps(slot, trait, members) + lying_out(members) }
        twice + kin + named
      end

      private

      def twice
        @series.fits.tally.filter_map do |fit, times|
          error("fits.#{fit.slot}", "#{fit.part} stands #{times} times for the same pumps: each once.") if times > 1
        end
      end

      # @return [Array<Array(String, String, Array<Member>)>] slot, trait, members from small to large
      def families
        @measured.product(@series.fits.group_by(&:slot).to_a).filter_map do |trait, (slot, fits)|
          members = fits.filter_map { |fit| member(fit, trait) }.sort_by(&:goes_by)
          [slot, trait, members] if members.map(&:goes_by).uniq.size > 1
        end
      end

      def member(fit, trait)
        values = Array((fit.condition || {})[trait])
        part = @parts[fit.part]
        Member.new(part: part, goes_by: values.first, fit: fit) if part && values.size == 1 && values.first.is_a?(Numeric)
      end

      # Either the inside or the outside is that of the trait, for most of the family: then for each of it.
      def near(slot, trait, members)
        key = ROUND.find { |size| members.count { |one| one.part.spec[size] == one.goes_by } * 2 >= members.size } or return []
        members.select { |one| one.part.spec[key] && off(one, key) > (members.size > 2 ? NEAR_MM : 0) }.map do |one|
          error("parts.#{one.part.number}.spec", "#{key} #{told(one.part.spec[key])} serves #{slot} on #{trait} #{told(one.goes_by)}; the others " \
                                                 "of it are as wide as the #{Plain.name(trait.delete_suffix('_mm'))}: check #{key}, or the fit.")
        end
      end

      def off(member, key) = (member.part.spec[key] - member.goes_by).abs

      # Larger pumps have larger parts.
      def steps(slot, trait, members)
        ROUND.flat_map do |key|
          members.select { |one| one.part.spec[key] }.each_cons(2).filter_map do |small, large|
            next if small.goes_by == large.goes_by || small.part.spec[key] <= large.part.spec[key]

            error("fits.#{slot}", "#{large.part.number} for #{trait} #{told(large.goes_by)} has #{key} #{told(large.part.spec[key])}, less than " \
                                  "#{small.part.number} for #{told(small.goes_by)} (#{told(small.part.spec[key])}): a size or a fit is wrong.")
          end
        end
      end

      def lying_out(members)
        PartSizes::SIZES.flat_map do |key|
          sized = members.select { |one| one.part.spec[key] }
          usual = median(sized.map { |one| one.part.spec[key].to_f / one.goes_by }) or next []
          sized.select { |one| beyond?(one.part.spec[key].to_f / one.goes_by, usual) }.map { |one| out_of_line(one.part, sized.map(&:part), key) }
        end.uniq
      end

      def out_of_line(part, family, key)
        others = (family - [part]).first(3).map { |one| "#{one.number} (#{told(one.spec[key])})" }
        warning("parts.#{part.number}.spec", "#{key} #{told(part.spec[key])} is out of line with #{others.join(', ')}: check the point.")
      end

      def beyond?(value, usual) = value > usual * OUTLYING || value < usual / OUTLYING

      def median(values) = values.sort[(values.size - 1) / 2]

      # "Seal 18" is for the pumps with 18 mm, whatever slot it serves.
      def named
        told = [*@series.fits.filter_map { |fit| @parts[fit.part] && ["fits.#{fit.slot}", @parts[fit.part].name, fit.condition] },
                *@series.kits.map { |kit| ["kits.#{kit.number}", kit.name, kit.condition] },
                *@series.tools.map { |tool| ["tools.#{tool.id}", tool.name, tool.condition] }]
        told.flat_map { |place, name, condition| @measured.filter_map { |trait| other_size(place, name, trait, condition) } }.uniq
      end

      def other_size(place, name, trait, condition)
        wanted = Array((condition || {})[trait]).map(&:to_f)
        said = name.scan(/(?<![\p{L}\d.-])\d+(?:\.\d+)?(?![\d.]*\d|[\p{L}-]| ?×)/).map(&:to_f) & values(trait)
        return if wanted.empty? || said.empty? || said.intersect?(wanted) || name.match?(PartSizes::ROW)

        is, says = [wanted, said].map { |all| all.map { |one| told(one) }.join(", ") }
        error(place, "“#{name}” is for #{trait} #{is}, and its name says #{says}: one is wrong.")
      end

      def values(trait) = @series.models.map { |model| model.traits[trait] || @series.traits[trait] }.grep(Numeric).map(&:to_f).uniq

      def told(size) = Plain.number(size)
    end
  end
end
