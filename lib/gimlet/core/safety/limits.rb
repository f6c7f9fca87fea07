# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Safety
    # What a part bears, in bar, where it is on file. `of` is the part as it is spoken of.
    Limit = Value.of(:of, :bar)

    # Every pressure that is advised passes the weakest part on file.
    #
    #   weakest = Limits.weakest([Limit.new(of: "pump TK4R20", bar: 200), Limit.new(of: "valve WX20", bar: 160)])
    #   Limits.over(170, weakest) # => 0.0625
    module Limits
      # What reading a gauge may be off by, as a share: a value so little over is the value itself.
      SLACK = 0.005

      module_function

      # @param limits [Array<Limit>]
      # @return [Limit, nil] nil where nothing is on file
      def weakest(limits) = limits.min_by(&:bar)

      # @param bar [Numeric] that is advised
      # @param limit [Limit, nil]
      # @return [Float] by which share it is over; 0 within, or where no limit is known
      def over(bar, limit)
        share = limit ? (bar / limit.bar.to_f) - 1 : 0
        share > SLACK ? share : 0.0
      end
    end
  end
end
