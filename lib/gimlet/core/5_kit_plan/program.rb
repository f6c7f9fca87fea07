# frozen_string_literal: true

require "highs"
require_relative "../value"
require_relative "exactness"

module Gimlet::Core
  module KitPlan
    # One component of an order as an integer program: how many of each offer, so that every part is covered.
    #
    # Solved by HiGHS (Q. Huangfu, J. Hall, "Parallelizing the dual revised simplex method", 2018). A search in Ruby with a Lagrangian bound was
    # exact too, but took seconds where this takes hundredths. Its answers are whole numbers, and are checked as such.
    class Program
      Found = Value.of(:counts, :gap_cents)
      # For each aim, in seconds; a larger order names its best and the gap.
      TIME_LIMIT = 4
      ENDLESS = 1e30

      # @param needs [Hash{String=>Integer}] all of them can be covered
      # @param offers [Array<Offer>]
      # @param limits [Hash{Offer=>Integer}]
      def initialize(needs, offers, limits)
        @needs = needs
        @offers = offers
        @limits = offers.map { |offer| limits[offer] }
      end

      # @return [Found]
      def call
        return Found.new(counts: {}, gap_cents: 0) if @offers.empty?

        held = []
        found = nil
        aims.each do |aim|
          found = solve(aim, held)
          held << [aim, value(aim, found.first)]
        end
        Found.new(counts: @offers.zip(found.first).reject { |_, count| count.zero? }.to_h, gap_cents: 0)
      rescue TooLong => e
        Found.new(counts: @offers.zip(e.counts).reject { |_, count| count.zero? }.to_h, gap_cents: e.gap)
      end

      # The time was up: the best found so far, and how much better the best there is could be, in cents.
      class TooLong < StandardError
        attr_reader :counts, :gap

        def initialize(counts, gap)
          super("no proof in time")
          @counts = counts
          @gap = gap
        end
      end
      private_constant :TooLong

      private

      # Columns are counts, then for each offer whether it is a line of the order; the price asks for no lines.
      def aims
        nothing = Array.new(@offers.size, 0)
        [@offers.map(&:price_cents), nothing + Array.new(@offers.size, 1), @offers.map(&:pieces) + nothing]
      end

      def value(aim, counts)
        columns = counts + counts.map { |count| count.positive? ? 1 : 0 }
        aim.zip(columns).sum { |cost, count| cost * count }
      end

      def solve(aim, held)
        lined = aim.size > @offers.size
        model = Highs.mip(sense: :minimize, col_cost: aim, col_lower: Array.new(aim.size, 0),
                          col_upper: (@limits + Array.new(@offers.size, 1)).first(aim.size), **rows(held, lined),
                          integrality: Array.new(aim.size, :integer))
        Exactness.ask_of(model)
        answer = model.solve(time_limit: TIME_LIMIT)
        [checked(answer, aim), answer]
      end

      def checked(answer, aim)
        counts = answer[:col_value].first(@offers.size).map(&:round)
        return counts if answer[:status] == :optimal && covers?(counts)
        raise "The kit plan has no solution, which cannot be: #{answer[:status]}." unless covers?(counts)

        raise TooLong.new(counts, value(aim, counts))
      end

      def covers?(counts)
        @needs.all? { |part, need| @offers.zip(counts).sum { |offer, count| count * (offer.covers[part] || 0) } >= need }
      end

      # Each part is covered, a count needs its line, and aims already reached stay reached.
      def rows(held, lined)
        size = @offers.size
        lines = @needs.map do |part, need|
          [@offers.each_index.filter_map do |at|
            (pieces = @offers[at].covers[part]) && [at, pieces]
          end, need, ENDLESS]
        end
        lines += @limits.each_with_index.map { |limit, at| [[[at, -1], [size + at, limit]], 0, ENDLESS] } if lined
        lines += held.map { |aim, best| [aim.each_with_index.filter_map { |cost, at| [at, cost] unless cost.zero? }, 0, best] }
        { row_lower: lines.map { |line| line[1] }, row_upper: lines.map(&:last), a_format: :rowwise, a_start: starts(lines),
          a_index: lines.flat_map { |line| line.first.map(&:first) }, a_value: lines.flat_map { |line| line.first.map(&:last) } }
      end

      def starts(lines) = lines.each_with_object([0]) { |line, all| all << (all.last + line.first.size) }.first(lines.size)
    end
  end
end
