# frozen_string_literal: true

require_relative "../../core"

module Gimlet::Core
  module Catalogue
    # What is worked out of one series, from catalogue to catalogue for as long as the series itself does not change.
    #
    #   names = BySeries.new { |series| series.models.map(&:designation) }
    #   names[series]                # worked out once
    #   names.keep(snapshot.series)  # and of no others
    class BySeries
      # @yield [series] works it out
      def initialize(&work_out)
        @work_out = work_out
        @known = {}.compare_by_identity
        @lock = Mutex.new
      end

      # @param series [Series]
      def [](series) = @known[series] || @lock.synchronize { @known[series] ||= @work_out.call(series) }

      def size = @known.size

      # Forgets what is not among them.
      # @param series [Array<Series>]
      # @return [self]
      def keep(series)
        @lock.synchronize { @known = @known.slice(*series).compare_by_identity }
        self
      end
    end
  end
end
