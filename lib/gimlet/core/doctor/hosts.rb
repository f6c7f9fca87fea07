# frozen_string_literal: true

require_relative "remark"

module Gimlet::Core
  class Doctor
    # What sits in what, by the sentences and by the layers.
    class Hosts
      include Saying

      INTO = /\b(?:go(?:es)?|built|laid(?: flat)?|sits?|lies?) (?:in|into) (?:the |its |each )?\z/

      # @param known [Known] the sentences of a series
      def initialize(series, known)
        @stacks = series.stacks
        @sentences = known.sentences
      end

      # @return [Array<Remark>]
      def call = @sentences.flat_map { |sentence| steps(sentence) + into(sentence) } + @stacks.flat_map { |stack| loose(stack) }

      private

      # "Laid flat in its guide", and by the layers in nothing.
      def loose(stack)
        stack.layers.filter_map do |layer|
          host = layer.facing.to_s[/\bin its (\w+)\b/, 1]
          next if host.nil? || layer.inside || stack.layers.none? { |other| other != layer && other.name.split.last == host }

          error("stacks.#{stack.id}.#{layer.slot}",
                "“#{layer.facing}”, and it is inside nothing: say in `inside` which #{host}, or it is not renewed with it.")
        end
      end

      # "The seal case's first step is where the low-pressure seal seats": it must sit in that case.
      def steps(sentence)
        return [] unless sentence.text.match?(/\b(?:first|second) step\b/) && sentence.text.match?(/\bseats?\b/)

        hosts, seats = sentence.named.partition { |named| named.stack.layers.any? { |layer| layer.inside == named.layer.slot } }
        told = sentence.text.downcase
        seats = seats.select { |named| told[named.from..].match?(/\A[\w -]*?\bseats\b/) }
        seats.reject { |named| hosts.empty? || hosts.map { |host| host.layer.slot }.include?(named.layer.inside) }.map do |named|
          warning(sentence.place,
                  "“#{sentence.short}” seats #{named.layer.name} in #{hosts.first.layer.name}, where it does not sit: say which seal does.")
        end
      end

      # "The new seal goes into the rear guide": that is the piece that it sits in.
      def into(sentence)
        told, named = sentence.text.downcase, sentence.named
        hosts = named.each_index.select { |at| told[0...named[at].from].match?(INTO) }
        hosts.flat_map { |at| named.first(at).map { |piece| [piece, named[at]] } }.filter_map do |piece, host|
          next if piece.stack != host.stack || [nil, host.layer.slot].include?(piece.layer.inside)

          warning(sentence.place, "“#{sentence.short}” puts #{piece.layer.name} into #{host.layer.name}; by its layer it sits in " \
                                  "#{piece.stack.layer(piece.layer.inside).name}: one of them is wrong.")
        end
      end
    end
  end
end
