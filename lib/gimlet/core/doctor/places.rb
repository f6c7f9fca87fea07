# frozen_string_literal: true

require_relative "../plain"
require_relative "remark"

module Gimlet::Core
  class Doctor
    # Positions of stacks, places of bolts and what is drawn on a face.
    class Places
      include Saying

      # Bolts of a pattern that is looked at as a whole, and how far two may be off in mm.
      EVEN = 6
      OFF_MM = 2
      NUMBERED = /\A(?<what>.*\S) (?<number>\d+)\z/
      # What a trait counts and what turns it => fasteners that it speaks of, by their id and name.
      COUNTED = { "head_bolts" => ["head_bolt_drive", /\bhead (?:bolts|nuts|screws)\b/],
                  "valve_caps" => ["cap_drive", /(?<!end )\b(?:caps?|plugs)\b(?! nuts)/] }.freeze

      # @param series [Catalogue::Series]
      def initialize(series, _known)
        @series = series
      end

      # @return [Array<Remark>]
      def call
        [@series.stacks.map { |stack| ends(stack) + numbered(stack) }, names, strange, @series.fasteners.map { |fastener| bolts(fastener) },
         @series.faces.map { |face| features(face) }, COUNTED.map { |trait, (drive, called)| counted(trait, drive, called) }].flatten
      end

      private

      def ends(stack)
        return [] unless stack.from == stack.towards

        [error("stacks.#{stack.id}.towards", "is “#{stack.towards}”, as `from` is: the two ends of a stack are two places.")]
      end

      # "cylinder 1, 2, 3" of a pump with three.
      def numbered(stack)
        numbers = stack.positions.map { |position| position[NUMBERED, :number]&.to_i }
        return odd(stack) if numbers.compact.size != numbers.size
        return [] if numbers == (1..numbers.size).to_a && (cylinders.nil? || !per_cylinder?(stack) || (numbers.size % cylinders).zero?)

        [error("stacks.#{stack.id}.positions",
               "are #{stack.positions.join(', ')}, and the pump has #{cylinders} cylinders: one for each, from 1 on.")]
      end

      def odd(stack)
        return [] if stack.positions.none? { |position| position.match?(NUMBERED) }

        [error("stacks.#{stack.id}.positions", "are #{stack.positions.join(', ')}: number them from 1 on, or call none by a number.")]
      end

      def per_cylinder?(stack) = stack.positions.all? { |position| position.match?(/\b(?:cylinder|valve)\b/) }
      def cylinders = @series.traits["cylinders"]&.then { |count| count if count > 1 }

      # "Inlet valve 1" is no place of a stack that is called as the places of another are.
      def strange
        families = @series.stacks.to_h { |stack| [stack, stack.positions.map { |position| position[NUMBERED, :what] }.uniq] }
        @series.stacks.filter_map do |stack|
          other = families.find { |one, names| one != stack && names == [stack.name] && families[stack] != names } or next
          error("stacks.#{stack.id}.name",
                "is “#{stack.name}”, and its positions are #{stack.positions.join(', ')}; those of #{other.first.id} are called so: one is wrong.")
        end
      end

      # Two stacks of one name cannot be told apart, on screen or card.
      def names
        @series.stacks.group_by { |stack| [stack.name, stack.condition] }.values.select { |same| same.size > 1 }.filter_map do |same|
          next unless same.map(&:positions).uniq.one?

          warning("stacks.#{same.last.id}.name", "is “#{same.last.name}”, as #{same.first.id} is: call each by its own.")
        end
      end

      def bolts(fastener) = labels(fastener) + on_face(fastener) + held(fastener) + fastener.sets.flat_map { |set| even(fastener, set) }

      def labels(fastener)
        fastener.sets.flat_map { |set| set.points.map(&:label).tally.select { |_, times| times > 1 }.keys }.uniq.map do |label|
          error("fasteners.#{fastener.id}.points", "has #{label} twice: each bolt its own label.")
        end
      end

      def on_face(fastener)
        face = fastener.face && @series.face(fastener.face) or return []
        outside = fastener.points.reject { |point| point.x_mm.between?(0, face.width_mm) && point.y_mm.between?(0, face.height_mm) }
        outside.map do |point|
          error("fasteners.#{fastener.id}.points",
                "has #{point.label} at #{point.x_mm}, #{point.y_mm}, off the face “#{face.id}” (#{face.width_mm} × #{face.height_mm} mm).")
        end
      end

      # Bolts lie opposite each other, but for two: one of these two was placed wrongly.
      def even(fastener, set)
        return [] if set.points.size < EVEN || fastener.pattern == :each

        alone = alone(set.points)
        return [] unless alone.size == 2

        told = alone.map { |point| "#{point.label} (#{Plain.number(point.x_mm)}, #{Plain.number(point.y_mm)})" }.join(" and ")
        [warning("fasteners.#{fastener.id}.points", "lie opposite each other, but for #{told}: check these.")]
      end

      # Those that have none opposite, through the middle that most pairs share.
      def alone(points)
        places = points.map { |point| [point.x_mm.to_f, point.y_mm.to_f] }
        middle = places.combination(2).map { |pair| pair.transpose.map { |axis| (axis.sum / 2).round } }.tally.max_by(&:last).first
        points.zip(places).reject { |_, place| places.any? { |other| opposite?(place, other, middle) } }.map(&:first)
      end

      def opposite?(place, other, middle) = place.zip(other, middle).all? { |one, two, centre| (one + two - (2 * centre)).abs <= OFF_MM }

      def features(face)
        (face.features || []).reject { |_, _, x, y, _| x.between?(0, face.width_mm) && y.between?(0, face.height_mm) }.map do |kind, label, x, y, _|
          warning("faces.#{face.id}.features", "has #{kind} #{label} at #{x}, #{y}, off the face (#{face.width_mm} × #{face.height_mm} mm).")
        end
      end

      # What comes off at each position has a bolt at each, and one position has not twice what another has.
      def held(fastener)
        return [] unless fastener.points.any?(&:at)

        counts = fastener.points.flat_map { |point| point.at || [] }.tally
        missing = positions_of(fastener) - counts.keys
        told = [("hold nothing at #{missing.join(', ')}" if missing.any?),
                ("hold #{counts.map { |at, times| "#{at} #{times} times" }.join(', ')}" if counts.values.uniq.size > 1)].compact
        told.empty? ? [] : [error("fasteners.#{fastener.id}.points", "#{told.join(' and ')}: check each point's position.")]
      end

      # All positions of the family that its points speak of.
      def positions_of(fastener)
        held = fastener.points.flat_map { |point| point.at || [] }
        @series.stacks.map(&:positions).select { |positions| positions.intersect?(held) }.flatten.uniq
      end

      # Only where one kind of fastener, or all of that kind, can be meant.
      def counted(trait, drive, called)
        meant = @series.fasteners.select { |one| "#{Plain.name(one.id)} #{one.name}".match?(called) }
        count, key = values(trait), values(drive)
        [number(trait, count, meant), key(drive, key, meant)].compact
      end

      def number(trait, count, meant)
        there = meant.sum { |one| count_of(one, trait) }
        return if count.empty? || count.include?(there) || (meant.empty? && (count == [0] || trait == "head_bolts")) || conditional?(meant)

        return warning("traits.#{trait}", "is #{count.join(' or ')}, and no fastener is one: one is wrong.") if meant.empty?

        error("traits.#{trait}", "is #{count.join(' or ')}, and #{meant.map(&:id).join(' and ')} have #{there}: one is wrong.")
      end

      # Equal covers are counted one by one.
      def count_of(fastener, trait) = trait == "head_bolts" ? fastener.sets.first.points.size : fastener.points.size

      def key(drive, keys, meant)
        other = meant.map(&:drive).uniq.reject { |one| keys.include?(one) || keys.include?(one.sub(/\Abox spanner/, "socket")) }
        return if keys.empty? || other.empty? || conditional?(meant) || meant.size > 2

        error("traits.#{drive}", "is #{keys.join(' or ')}, and #{meant.map(&:id).join(' and ')} take #{other.join(' or ')}: one is wrong.")
      end

      def conditional?(meant) = meant.size > 1 && @series.condition_keys.include?("head_bolts")
      def values(trait) = [@series.traits[trait], *@series.models.map { |model| model.traits[trait] }].compact.uniq
    end
  end
end
