# frozen_string_literal: true

require_relative "../1_catalogue/series"
require_relative "../value"

module Gimlet::Core
  module Lookup
    # How far a series can be trusted: entries with a source, those that two people have read, and what looks wrong.
    #
    #   SeriesHealth.of(series, findings).figure # => 74
    SeriesHealth = Value.of(:entries, :sourced, :read_twice, :to_read_twice, :findings, :unsourced) do
      # @return [Integer] 0 to 100: half for sources, half for what was read twice; each finding takes off two
      def figure
        ((50 * share(sourced, entries)) + (50 * share(read_twice, to_read_twice)) - (2 * findings)).round.clamp(0, 100)
      end

      private

      def share(some, all) = all.zero? ? 0 : some / all.to_f
    end

    # Counting it.
    class SeriesHealth
      LISTS = { "models" => :designation, "parts" => :number, "kits" => :number, "stacks" => :id }.freeze

      # @param series [Catalogue::Series]
      # @param findings [Array<Doctor::Remark>]
      # @return [SeriesHealth] `unsourced` are places without a source: ["kits.PW-K41", ...]
      def self.of(series, findings)
        places = LISTS.flat_map { |list, key| series.public_send(list).map { |one| [list, one.public_send(key)] } }
        torques = series.fasteners.flat_map { |fastener| fastener.tightenings.select(&:torque).map { |one| [fastener, one] } }
        unsourced = places.reject { |list, name| series.source_of(list, name) }
        unsourced += torques.reject { |_, one| one.source }.map { |fastener, _| ["fasteners", fastener.id] }
        read = torques.map(&:last) + series.kits + series.stacks
        all = places.size + torques.size
        new(entries: all, sourced: all - unsourced.size, to_read_twice: read.size, read_twice: read.count { |one| twice?(one) },
            findings: findings.size, unsourced: unsourced.map { |place| place.join(".") })
      end

      def self.twice?(entry) = entry.checked.map(&:who).uniq.size > 1
      private_class_method :twice?
    end
  end
end
