# frozen_string_literal: true

require_relative "rule"

module Gimlet::Core
  module Ear
    module Rules
      # Values, keys and threads that need no noun: "triplex", "lhs", "hex 6", "1/2 bsp"; "brass" and "green" where nothing else is spoken of;
      # "not brass", "isn't hollow".
      class Standing < Rule
        # Seen from outside, so that a bare word of theirs is of the pump.
        GOES_ON = %i[filler hedge not pumps unsure request].freeze
        OUTSIDE = %w[manifold_material cover_colour].freeze

        def call(place)
          pieces(place).filter_map { |piece| of(piece) } + denials(place) + contrasts(place)
        end

        private

        def of(piece)
          return keyed(piece) if piece.key && piece.size
          return threaded(piece) if piece.thread && piece.figure
          return (said(piece, trait(piece.alone.first), weak: weak(piece), strong: true) unless followed?(piece)) if piece.alone.any?

          lonely(piece)
        end

        # "his dog is called brass"
        def weak(piece) = OUTSIDE.include?(piece.alone.first) ? Costs::LONELY : 1.5

        # A key is of what was spoken of last, where that takes one; else of the head.
        def keyed(piece)
          made = ->(trait) { said(piece, trait, cost: Costs::RULE + 1.5, weak: Costs::WEAK, strong: true) }
          made.call(trait("head_bolt_drive")).with(settle: ->(path) { made.call(keyed_trait(path.last { |one| one.traits.last })) })
        end

        def keyed_trait(last)
          topic = last && trait(last)
          keyed = vocabulary.traits.each_value.select { |one| one.kind_id == "keyed" }
          (topic && keyed.find { |one| one.called.intersect?(topic.called) }) || trait("head_bolt_drive")
        end

        def threaded(piece)
          first = vocabulary.traits.each_value.find { |one| one.kind.alone?(piece) }
          first && said(piece, first, cost: Costs::RULE + 1.2, weak: Costs::WEAK, strong: true)
        end

        # "hollow sound", "ceramic tiles": said of what comes next.
        def followed?(piece)
          place = piece.to
          return false if place >= lattice.size || lattice.separator?(place) || lattice.mark?(place)

          pieces(place).none? { |one| one.figures? || one.name || one.key || one.values.any? || GOES_ON.any? { |small| one.says(small) } }
        end

        def lonely(piece)
          outside = piece.values.keys & OUTSIDE
          return unless outside.size == 1 && asked.nil? && !piece.noun? && all_of_its_clause?(piece)

          said(piece, trait(outside.first), lonely: true, cost: Costs::RULE + 0.5)
        end

        def all_of_its_clause?(piece)
          before = piece.from
          before -= 1 while before.positive? && lattice.clause(before - 1) == lattice.clause(piece.from) && !lattice.separator?(before - 1)
          after = skip(piece.to)
          skip(before) >= piece.from && (after >= lattice.size || lattice.separator?(after))
        end

        def said(piece, trait, cost: Costs::RULE, **more)
          told = trait.kind.hear(trait, piece) or return
          candidate(piece.from, piece.to, [reading(trait, told, piece.from, piece.to)], cost: cost + piece.slip, told: [piece], **more)
        end

        # "stainless, not brass"
        def contrasts(place)
          pieces(place).select { |piece| piece.values.any? && !piece.noun? }.flat_map do |piece|
            says(skip_comma(piece.to), :not).flat_map do |no|
              pieces(skip(no.to)).filter_map { |other| contrast(piece, other) }
            end
          end
        end

        def contrast(piece, other)
          ids = piece.values.keys & other.values.keys
          id = (ids & [asked&.id]).first || (ids & OUTSIDE).first || (ids.first if ids.size == 1) or return
          said, denied = [piece, other].map { |one| trait(id).kind.hear(trait(id), one) }
          return if said == denied

          items = [reading(trait(id), said, piece.from, piece.to), reading(trait(id), denied, other.from, other.to, denied: true)]
          candidate(piece.from, other.to, items, told: [piece], cost: Costs::RULE + piece.slip + other.slip, weak: Costs::WEAK, strong: true)
        end

        # "not brass", "isn't the left side", "neither brass nor stainless"
        def denials(place)
          says(place, :not).flat_map do |no|
            behind(no).flat_map { |at| pieces(at) }.select { |piece| piece.values.any? }.filter_map do |piece|
              id = ((piece.values.keys & [asked&.id]) + piece.alone + (piece.values.keys & OUTSIDE)).first or next
              told = trait(id).kind.hear(trait(id), piece) or next
              item = reading(trait(id), told, place, piece.to, denied: true)
              candidate(place, piece.to, [item], told: [piece], cost: Costs::RULE + piece.slip, weak: Costs::WEAK, strong: true)
            end
          end
        end
      end
    end
  end
end
