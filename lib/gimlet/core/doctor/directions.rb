# frozen_string_literal: true

require_relative "../1_catalogue/shapes"
require_relative "../plain"
require_relative "facing"
require_relative "remark"

module Gimlet::Core
  class Doctor
    # Directions: the words of a piece against how it is drawn, seals against what they hold, valves against the way the water goes.
    class Directions
      include Saying

      ENDS = { "from" => :from, "towards" => :towards }.freeze
      # What a seal holds back looks in at its lips: pressure for those of the packing, oil for those of the shaft.
      PRESSURE = /\b(?:bottom of the (?:bore|nut|pocket)|end cap|cylinder|manifold|head)\b/
      OIL = /\b(?:crankcase|power end|gear case|cam side)\b/
      HELD = { /\b(?:high|low)-pressure seal\b/ => PRESSURE, /\boil seal\b/ => OIL }.freeze
      # Shapes that have no ends.
      ROUND = %w[oring ball spring washer].freeze
      LIPPED = /(?:\A|[,;] )lips? (?!seal|ring)|\bhollow side\b/
      # A check valve from its seat on: the water comes through the seat, lifts the poppet and pushes the spring.
      CLOSING = %w[poppet ball plate].freeze
      INLET = { /inlet|suction/i => :inlet, /discharge|outlet|pressure valve/i => :outlet }.freeze

      # @param series [Catalogue::Series]
      def initialize(series, _known)
        @stacks = series.stacks
      end

      # @return [Array<Remark>]
      def call
        @stacks.flat_map do |stack|
          words(stack) + lipless(stack) + alike(stack) + places(stack) + held(stack) + closing(stack) + meeting(stack) + flowing(stack)
        end
      end

      private

      def words(stack)
        stack.layers.each_index.filter_map do |at|
          layer = stack.layers[at]
          told = Facing.new(stack, at).ends.find { |_, way| way != layer.opens_to } or next
          next undrawn(stack, layer) unless layer.opens_to

          error(place(stack, layer), "“#{layer.facing}” puts its #{told.first} so that it opens to #{stack[told.last]} (#{told.last}), but " \
                                     "opens_to draws it to #{stack[layer.opens_to]} (#{layer.opens_to}): one of them is wrong.")
        end
      end

      # A piece that looks the same from both ends opens to neither.
      def alike(stack)
        stack.layers.select { |layer| layer.opens_to && ROUND.include?(layer.shape) }.map do |layer|
          warning(place(stack, layer),
                  "is a #{Plain.name(layer.shape)}, which is the same from both ends: leave opens_to out, or say which shape it is.")
        end
      end

      # What is told to have lips is drawn with lips.
      def lipless(stack)
        stack.layers.select do |layer|
          layer.facing.to_s.match?(LIPPED) && layer.shape && !Catalogue::Shapes.of(layer.shape).lips && layer.shape != "dished"
        end.map do |layer|
          error(place(stack, layer), "“#{layer.facing}”, and its shape is #{layer.shape}, which has none: say u_seal, cup, v_ring or lip_seal.")
        end
      end

      def undrawn(stack, layer)
        return unless Catalogue::Shapes.of(layer.shape).directed

        warning(place(stack, layer), "“#{layer.facing}” is not drawn: say in opens_to which end that is.")
      end

      # Where a piece lies by its words, against its place among the layers.
      def places(stack)
        stack.layers.each_index.flat_map do |at|
          facing = Facing.new(stack, at)
          beside(stack, at, facing) + first(stack, at, facing)
        end
      end

      def beside(stack, at, facing)
        facing.beside.filter_map do |words, side|
          piece = words[/(?:the|its) (.+)/, 1]
          next if [side, nil].include?(facing.side_of(piece))

          error(place(stack, stack.layers[at]),
                "“#{words}”, but the #{piece} lies on the other side of it among the layers: change their order, or the words.")
        end
      end

      def first(stack, at, facing)
        side = facing.alone or return []
        beyond = side == "from" ? stack.layers.first(at) : stack.layers.drop(at + 1)
        beyond = beyond.select { |layer| layer.inside.nil? && layer.condition == stack.layers[at].condition }
        return [] if beyond.empty? || stack.layers[at].inside

        [error(place(stack, stack.layers[at]),
               "“#{stack.layers[at].facing}”, but #{beyond.first.name} lies beyond it: change their order, or the words.")]
      end

      def held(stack)
        stack.layers.filter_map do |layer|
          wanted = HELD.find { |name, _| layer.name.match?(name) }&.last
          next unless wanted && layer.opens_to && Catalogue::Shapes.of(layer.shape).lips

          ends = ENDS.keys.select { |way| stack[way].downcase.match?(wanted) }
          next if ends != [other(layer.opens_to)]

          error(place(stack, layer), "has its lips to #{stack[layer.opens_to]}, away from #{stack[ends.first]}, which it holds back: turn " \
                                     "opens_to.")
        end
      end

      # Between its seat and its spring.
      def closing(stack)
        places = %w[seat spring].to_h { |shape| [shape, only(stack, [shape])] }
        poppet = only(stack, CLOSING)
        return [] unless poppet && places.values.all?
        return [] if poppet.between?(*places.values.sort)

        [error("stacks.#{stack.id}", "has #{stack.layers[poppet].name} outside of its seat and its spring: put it between them.")]
      end

      # Seat and cage look to the poppet, the poppet to its seat.
      def meeting(stack)
        seat, cage, poppet = only(stack, ["seat"]), only(stack, ["cage"]), only(stack, CLOSING)
        pairs = poppet ? [[seat, poppet], [cage, poppet], [poppet, seat]].select(&:all?) : []
        pairs.filter_map do |at, other|
          layer = stack.layers[at]
          next if [nil, at < other ? "towards" : "from"].include?(layer.opens_to)

          warning(place(stack, layer), "opens to #{layer.opens_to}, away from #{stack.layers[other].name}, which it works against: turn " \
                                       "opens_to, or put the pieces in their order.")
        end
      end

      def only(stack, shapes)
        places = stack.layers.each_index.select { |at| shapes.include?(stack.layers[at].shape) && stack.layers[at].condition.nil? }
        places.first if places.one?
      end

      # The seat's side is where the water comes from: the gallery at an inlet, the cylinder at a discharge.
      def flowing(stack)
        side = INLET.find { |words, _| "#{stack.id} #{stack.name}".match?(words) }&.last
        way = side && upstream(stack) or return []
        cylinder = side == :inlet ? way : other(way)
        return [] unless stack[cylinder].downcase.match?(/\bcylinder\b/)

        [warning("stacks.#{stack.id}", "has its seat to #{stack[way]}: water comes through the seat, so the cylinder of an #{side} valve is " \
                                       "not at #{cylinder}. Call that end what it is, or turn the valve.")]
      end

      # @return [String, nil] the end that the seat is nearest to
      def upstream(stack)
        valve = stack.layers.find { |layer| layer.shape == "valve" && layer.opens_to }
        return valve.opens_to if valve

        seat, poppet = only(stack, ["seat"]), only(stack, CLOSING)
        (seat < poppet ? "from" : "towards") if seat && poppet
      end

      def other(way) = Facing::OTHER.fetch(way)
      def place(stack, layer) = "stacks.#{stack.id}.#{layer.slot}"
    end
  end
end
