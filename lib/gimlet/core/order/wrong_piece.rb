# frozen_string_literal: true

require_relative "../1_catalogue/condition"
require_relative "../1_catalogue/snapshot"
require_relative "../plain"
require_relative "order"

module Gimlet::Core
  class Order
    # Why a piece in somebody's hand is none of an order's.
    #
    #   WrongPiece.new(snapshot, goods).reason("PW-4218")
    #   # => "PW-4218 is the high-pressure seal 18: the order needs PW-4220, high-pressure seal 20 (inside 18 mm, not 20 mm)."
    class WrongPiece
      MEASURES = { "id_mm" => "inside", "od_mm" => "outside" }.freeze

      # @param snapshot [Catalogue::Snapshot] of today
      # @param goods [Array<Good>] of the order
      def initialize(snapshot, goods)
        @snapshot = snapshot
        @numbers = goods.map(&:number)
      end

      # @param number [String] that is no line of the order
      # @return [String] a sentence
      def reason(number)
        return "Nothing in the catalogue has the number “#{number}”: read it again." unless @snapshot.sold?(number)

        serves(number) || within(number) || around(number) || another(number) || stranger(number)
      end

      private

      def name(number) = @snapshot.kit(number)&.name || @snapshot.part(number)&.name || other(number)&.name
      def other(number) = @snapshot.series.flat_map { |series| series.tools + series.consumables }.find { |one| one.number == number }
      def kits = @numbers.filter_map { |one| @snapshot.kit(one) }

      def serves(number)
        wanted = @numbers.find { |one| @snapshot.serving(one).include?(number) || @snapshot.serving(number).include?(one) } or return
        "#{number} does the same as #{wanted}, but #{wanted} is what is promised to this order: take that one, or amend the order."
      end

      def within(number)
        kit = kits.find { |one| one.contents.key?(number) } or return
        "#{number}, #{name(number)}, is a piece of the kit #{kit.number}, which goes out whole: put it back."
      end

      def around(number)
        kit = @snapshot.kit(number) or return
        loose = kit.contents.keys.find { |one| @numbers.include?(one) } or return
        "#{number} is a whole kit; the order needs #{loose}, #{name(loose)}, by itself."
      end

      # What has the same place in a pump: another size, another build.
      def another(number)
        own = slots(number)
        loose = kit?(number) ? [] : kits.flat_map { |kit| kit.contents.keys }
        wanted = (@numbers.select { |one| kit?(one) == kit?(number) } + loose).find { |one| slots(one).intersect?(own) }
        wanted && "#{number} is the #{name(number)}: the order needs #{where(wanted)}#{difference(number, wanted)}."
      end

      def where(wanted)
        kit = kits.find { |one| one.contents.key?(wanted) } unless @numbers.include?(wanted)
        kit ? "#{wanted}, #{name(wanted)}, in the kit #{kit.number}" : "#{wanted}, #{name(wanted)}"
      end

      def kit?(number) = !@snapshot.kit(number).nil?

      # @return [Array<Array(String, String)>] series and slot that it serves
      def slots(number)
        served = @snapshot.kit(number)&.contents&.keys || [number]
        @snapshot.series.flat_map { |series| series.fits.select { |fit| served.include?(fit.part) }.map { |fit| [series.id, fit.slot] } }
      end

      def difference(number, wanted)
        told = kit?(number) ? conditions(number, wanted) : sizes(number, wanted)
        told.empty? ? "" : " (#{told.join('; ')})"
      end

      def conditions(*numbers)
        numbers.filter_map do |number|
          series = @snapshot.series.find { |one| one.kits.any? { |kit| kit.number == number } }
          condition = @snapshot.kit(number).condition
          condition && "#{number} for #{Catalogue::Condition.in_words(condition, series)}"
        end
      end

      def sizes(number, wanted)
        here, there = [number, wanted].map { |one| @snapshot.part(one)&.spec || {} }
        (here.keys & there.keys).reject do |key|
          here[key] == there[key]
        end.first(2).map { |key| "#{measure(key)} #{told(key, here)}, not #{told(key, there)}" }
      end

      def measure(key) = MEASURES.fetch(key) { Plain.name(key.delete_suffix("_mm")) }
      def told(key, spec) = key.end_with?("_mm") ? "#{Plain.number(spec[key])} mm" : spec[key]

      def stranger(number)
        own = @snapshot.series.find { |series| named(series).include?(number) }
        pumps = @snapshot.series.select { |series| named(series).intersect?(@numbers) }
        return "#{number}, #{name(number)}, is for the same pumps, but not in this order." if own.nil? || pumps.include?(own)

        "#{number}, #{name(number)}, is for #{own.maker.name} #{own.name}; this order is for #{pumps.map do |one|
          "#{one.maker.name} #{one.name}"
        end.join(', ')}."
      end

      def named(series) = (series.parts + series.kits + series.tools + series.consumables).filter_map(&:number)
    end
  end
end
