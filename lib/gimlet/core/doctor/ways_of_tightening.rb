# frozen_string_literal: true

require_relative "../6_tightening/kinds"
require_relative "remark"

module Gimlet::Core
  class Doctor
    # What the sentences say of bolts and nuts against how they are tightened.
    class WaysOfTightening
      include Saying

      # What is said of a fastener => what its tightening or pattern is then.
      WAYS = { /\bfinger-tight\b/ => ["finger_then_turn"], /\bback(?:ed)? off\b|\btight again\b/ => ["back_off"],
               /\b(?:next|meet a) (?:hole|slot)\b/ => ["torque_to_next_slot"], /\bfirm\b/ => %w[firm none] }.freeze
      # What is screwed in or out for a pressure sets it: that is no fastener.
      SETTING = /\b(?:in|out)\b,?[^.]*\buntil\b[^.]*\b(?:gauge|pressure)\b/i
      PATTERNS = { /\bin a star\b/ => %i[star], /\bmaker's order\b/ => %i[listed],
                   /\binside outwards\b|\binner bolts to outer\b/ => %i[inner_to_outer listed],
                   /\bone after the other\b|\bclockwise\b/ => %i[each] }.freeze
      # The wrong way round: a face is closed from inside outwards and opened from outside inwards. Common practice, no source.
      BACKWARDS = { "open" => /\binside outwards\b|\binner bolts to outer\b/, "close" => /\boutside inwards\b|\bouter bolts to inner\b/ }.freeze

      # @param series [Catalogue::Series]
      # @param known [Known] its sentences
      def initialize(series, known)
        @series = series
        @sentences = known.sentences.select { |sentence| sentence.fasteners.any? }
      end

      # @return [Array<Remark>]
      def call = @sentences.flat_map { |sentence| kinds(sentence, sentence.fasteners) + patterns(sentence, sentence.fasteners) } + setting

      private

      def kinds(sentence, fasteners)
        return [] unless sentence.phase == "close"
        return by_hand(sentence, fasteners) if sentence.text.match?(/\bby hand only\b/)

        kinds = fasteners.flat_map(&:tightenings).map(&:kind)
        told = WAYS.select { |words, wanted| sentence.text.match?(words) && !kinds.intersect?(wanted) }.keys
        told << /\bsnug\b/i if sentence.text.match?(/\bsnug\b/i) && fasteners.flat_map(&:tightenings).none?(&:snug_first)
        told.map do |words|
          warning(sentence.place, "“#{sentence.text[words]}” is said of #{names(fasteners)}, whose tightening is #{kinds.uniq.join(', ')}: one " \
                                  "of them is wrong.")
        end
      end

      def setting
        texts = @series.finish.map(&:text).grep(SETTING)
        tightened = @series.fasteners.reject { |one| one.tightenings.map(&:kind).include?(Tightening::Kinds::Sets.id) }
        tightened.filter_map do |one|
          text = texts.find { |told| told.match?(/\b#{Regexp.escape(one.name)}\b/i) } or next
          warning("fasteners.#{one.id}", "is tightened, and “#{text[0, 60]} …” sets the pressure with it: what sets something is never tightened " \
                                         "(kind: sets), its lock is.")
        end
      end

      # Bolts that are only put in by hand are tightened at a moment of their own.
      def by_hand(sentence, fasteners)
        (fasteners.map(&:id) - @series.close_order.map(&:tighten)).map do |id|
          warning(sentence.place,
                  "leaves #{@series.fastener(id).name} in by hand only: say in close_order when they are tightened (tighten: #{id}).")
        end
      end

      def patterns(sentence, fasteners)
        told = PATTERNS.find { |words, wanted| sentence.text.match?(words) && !fasteners.map(&:pattern).intersect?(wanted) }&.first ||
               BACKWARDS[sentence.phase].then { |words| words if sentence.text.match?(words) }
        return [] unless told

        [warning(sentence.place, "“#{sentence.text[told]}” is said of #{names(fasteners)} (#{fasteners.map(&:pattern).uniq.join(', ')}): it is " \
                                 "closed from inside outwards and opened the other way, or as the sheet lists it.")]
      end

      def names(fasteners) = fasteners.map(&:name).join(", ")
    end
  end
end
