# frozen_string_literal: true

require_relative "../value"
require_relative "lines"

module Gimlet::Core
  class Order
    # The card as one thing to do after the other, as it is shown at the bench: each with the lines, drawings and fasteners that belong to it. A
    # drawing or a fastener has its place once, where a line first names it; what no line names has one all the same.
    #
    #   Moments.of(record).map(&:title).uniq # => ["On the bench: parts", "Take apart", ...]
    class Moments
      # `lines` are CardLines of the section `key`; `due` its cautions; `stacks` and `fasteners` ids; `refit` whether the crank is shown.
      Moment = Value.of(:id, :key, :title, :lines, :due, :stacks, :fasteners, :refit)

      # Sections that are laid out or counted as a whole; the others are done line by line.
      WHOLE = %w[part held tool used out look back].freeze

      NOTHING = { lines: [], due: [], stacks: [], fasteners: [], refit: false }.freeze

      # @param record [Hash] of the present version of an order
      # @return [Array<Moment>]
      def self.of(record) = new(record).call

      def initialize(record)
        @record = record
        @open = { stacks: record["stacks"].map { |one| one["id"] }, fasteners: record["tightening"].map { |one| one["fastener"] } }
      end

      # @return [Array<Moment>]
      def call
        moments = Lines.of(@record).flat_map { |section| of_section(section) }
        place(moments)
      end

      private

      def of_section(section)
        parts = WHOLE.include?(section.key) ? [section.lines] : section.lines.map { |line| [line] }
        parts.each_with_index.map do |lines, at|
          moment("#{section.key} #{at}", section.key, section.title, lines: lines, due: section.cautions,
                                                                     stacks: taken(:stacks, lines), fasteners: taken(:fasteners, lines))
        end
      end

      def taken(kind, lines)
        named = @open[kind] & lines.flat_map(&kind)
        @open[kind] -= named
        named
      end

      # What no line names: stacks and crank before closing, torques when all is closed.
      def place(moments)
        closing, finish = %w[close finish].map { |key| moments.index { |moment| moment.key == key } }
        finish ||= moments.size
        closing ||= finish
        moments.take(closing) + before + moments[closing...finish] + after + moments.drop(finish)
      end

      def before
        [(moment("stacks", "renew", "Which way round", stacks: @open[:stacks]) if @open[:stacks].any?),
         (moment("refit", "close", "Before the manifold goes on", refit: true) if @record["refit"])].compact
      end

      def after = @open[:fasteners].any? ? [moment("rest", "close", "Tighten", fasteners: @open[:fasteners])] : []

      def moment(id, key, title, **more)
        Moment.new(id: id, key: key, title: title, **NOTHING, **more)
      end
    end
  end
end
