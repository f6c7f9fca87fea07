# frozen_string_literal: true

require_relative "../../0_quantities/units"
require_relative "rule"

module Gimlet::Core
  module Ear
    module Rules
      # What a gauge or a bucket shows now is no rating: "only getting 100 bar", "gauge reads 150 instead of 200", "dropped from 180 to 110 bar",
      # "12 bar short of what it did", "11 litres instead of 15".
      class SeenNow < Rule
        COMPLAINT = { flow: "no_flow", pressure: "pressure_loss" }.freeze
        SUBJECTS = %w[pressure flow gauge].freeze
        LITRES = ["L", "US gal"].freeze

        def call(place)
          return NONE unless @compares

          seen(place) + compared(place) + of(place)
        end

        private

        def prepare
          @compares = tokens.each_index.any? { |place| %i[seen against short].any? { |small| says(place, small).any? } }
        end

        # "only getting 100 bar", "gauge reads 120 bar"
        def seen(place)
          says(place, :seen).flat_map do |small|
            at = skip(small.to)
            figures(at).flat_map do |piece|
              low = %w[low drop].include?(small.says(:seen))
              ending = against(piece.to)
              [made(place, ending || piece.to, piece, complaint: low || !ending.nil?)]
            end
          end
        end

        # "pressure stays at forty"
        def of(place) = SUBJECTS.include?(norm(place)) ? seen(place + 1).map { |made| made.with(from: place) } : NONE

        # "11 litres instead of 15", "12 bar short of what it did"
        def compared(place)
          figures(place).filter_map do |piece|
            ending = piece.unit && (against(piece.to) || short(piece.to)) or next
            made(place, ending, piece, complaint: true)
          end
        end

        def figures(place)
          pieces(place).select do |piece|
            (piece.figure || piece.span) && !piece.alien && !piece.sum && (piece.unit.nil? || LITRES.include?(piece.unit) || COMPLAINT[Units::KIND_OF[piece.unit]])
          end
        end

        # @return [Integer, nil] where "instead of 200" ends
        def against(place)
          link = link_behind(place) or return
          figures(skip(link.to)).first&.to
        end

        # "used to be" is no small word here.
        def link_behind(place)
          while place < lattice.size && !(lattice.separator?(place) && lattice.stop?(place))
            link = says(place, :against).first
            return link if link

            filler = says(place, :filler).first
            return unless filler || lattice.mark?(place)

            place = filler ? filler.to : place + 1
          end
        end

        def short(place) = says(place, :short).first&.to

        def made(from, to, piece, complaint:)
          kind = LITRES.include?(piece.unit) ? :flow : Units::KIND_OF[piece.unit] || :pressure
          item = complaint ? { complaint: COMPLAINT.fetch(kind) } : { seen: lattice.words(from, to) }
          candidate(from, to, [item.merge(from: from, to: to)], cost: Costs::RULE - 0.2)
        end
      end
    end
  end
end
