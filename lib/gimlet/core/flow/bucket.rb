# frozen_string_literal: true

require_relative "../input_error"
require_relative "../value"
require_relative "figures"
require_relative "nozzle_sizes"
require_relative "words"

module Gimlet::Core
  module Flow
    # A bucket and a watch. `rated` is the pump's flow, `supply` what the feed alone gives, both in L/min; `turns` what the shaft does and
    # `rated_turns` what it should, in rpm; `rated_bar` its pressure, `displaced` what the plungers sweep. All but litres and seconds may be nil.
    Bucket = Value.of(:litres, :seconds, :nozzle, :bar, :rated, :rated_bar, :displaced, :supply, :turns, :rated_turns) do
      # @return [Float] L/min
      def flow = litres * 60.0 / seconds

      # @return [Float, nil] L/min that the nozzle takes at this pressure when it is new
      def nozzle_flow = nozzle && bar && (nozzle * EQUATIONS.find { |equation| equation.id == "nozzle" }.constant * Math.sqrt(bar))
    end

    # What a bucket test tells: shares of what should be, the sums, and how likely each makes the signs that diagnosis weighs.
    class BucketTest
      # A bucket and a watch, and figures of a plate, are off by about so much. Common practice, no source.
      OFF = 0.05
      # Where something is wrong, what is left of it lies about evenly between these. Common practice, no source.
      SHORT = (0.25..0.95)
      WORN = (1.08..1.8)
      SLOW = (0.5..0.97)
      WEAK = (0.1..0.95)
      TOO_LARGE = (1.1..2.5)
      TOO_SMALL = (0.4..0.9)
      # The feed should give this much more than the pump takes. Common practice, no source.
      SUPPLY = 1.2
      # However far off a figure is, it may be: likelihoods where the sign is there, and where it is not, are never less.
      FARTHEST = [1e-9, 1e-12].freeze
      # `share` of what should be, `sum` written out, `sign` of the diagnosis that it speaks to, with how likely the figure is where the sign
      # is there and where it is not.
      Finding = Value.of(:name, :share, :sum, :sign, :there, :gone) do
        # @return [Boolean] whether it is rather as where something is wrong
        def amiss? = !sign.nil? && there > gone
      end

      # @param words [Words] that sums are written in
      def initialize(words = Words.new)
        @words = words
      end

      # @param bucket [Bucket]
      # @return [Array<Finding>]
      # @raise [InputError]
      def call(bucket)
        { "litres" => bucket.litres, "seconds" => bucket.seconds }.each do |name, value|
          value.positive? || InputError.reject(name, "no_size",
                                               "#{name.capitalize} of a bucket test are above zero: #{bucket.litres} L / #{bucket.seconds} s.")
        end
        [delivery(bucket), volumetric(bucket), nozzle(bucket), size(bucket), speed(bucket), supply(bucket)].compact
      end

      private

      # Of what the plate says, however fast the shaft turns: a slow one makes the bucket short too.
      def delivery(bucket)
        return unless bucket.rated

        share = bucket.flow / bucket.rated
        sum_of("delivery", share, "#{caught(bucket)}: #{percent(share)} of #{flow(bucket.rated)}", ["bucket_short", SHORT])
      end

      def volumetric(bucket)
        return unless bucket.displaced

        share = bucket.flow / bucket.displaced
        swept = "#{flow(bucket.displaced)} that the plungers sweep"
        slips = ", so #{percent(1 - share)} slips back" if share <= 1
        Finding.new(name: "volumetric efficiency", share: share, sum: "#{caught(bucket)}: #{percent(share)} of the #{swept}#{slips}")
      end

      def nozzle(bucket)
        takes = bucket.nozzle_flow or return
        share = bucket.flow / takes
        at = @words.figure(bucket.bar, "bar")
        sum = "N·√(p/4000): number #{Words.plain(bucket.nozzle)} takes #{flow(takes)} at #{at}; #{percent(share)} of that goes through"
        sum_of("nozzle", share, sum, ["nozzle_worn", WORN])
      end

      # Of the number that the ratings ask for.
      def size(bucket)
        return unless bucket.nozzle && bucket.rated && bucket.rated_bar

        right = NozzleSizes.right(bucket.rated, bucket.rated_bar)
        share = bucket.nozzle / right
        sum = "#{flow(bucket.rated)} at #{@words.figure(bucket.rated_bar,
                                                        'bar')} ask for number #{right.round(1)}: number #{Words.plain(bucket.nozzle)} " \
              "is #{percent(share)} of it"
        sum_of("size of the nozzle", share, sum, ["nozzle_off", share > 1 ? TOO_LARGE : TOO_SMALL])
      end

      def speed(bucket)
        return unless bucket.turns && bucket.rated_turns

        share = bucket.turns / bucket.rated_turns.to_f
        sum_of("speed", share, "#{Words.plain(bucket.turns)} / #{Words.plain(bucket.rated_turns)} rpm: #{percent(share)}", ["turns_slowly", SLOW],
               off: OFF / 3)
      end

      def supply(bucket)
        return unless bucket.supply && bucket.rated

        share = bucket.supply / bucket.rated / SUPPLY
        takes, wanted = flow(bucket.rated), flow(bucket.rated * SUPPLY)
        sum = "#{flow(bucket.supply)} of feed: #{percent(share)} of the #{wanted} that should be there, for the pump takes #{takes}"
        sum_of("feed", share, sum, ["inlet_weak", WEAK])
      end

      # On the other side of one nothing is wrong: more than enough is as good as enough.
      # @param wrong [Array(String, Range)] a sign, and the shares that lie about evenly where it is there
      def sum_of(name, share, sum, wrong, off: OFF)
        sign, range = wrong
        at = range.end < 1 ? [share, 1].min : [share, 1].max
        Finding.new(name: name, share: share, sum: sum, sign: sign, there: [smoothed(at, range, off), FARTHEST.first].max,
                    gone: [bell(at - 1, off), FARTHEST.last].max)
      end

      # Even within the range, and off by the measuring at its ends.
      def smoothed(share, range, off)
        inside = share.clamp(range.begin, range.end)
        bell(share - inside, off) * off * Math.sqrt(2 * Math::PI) / (range.end - range.begin)
      end

      def bell(distance, off) = Math.exp(-((distance / off)**2) / 2) / (off * Math.sqrt(2 * Math::PI))
      def flow(litres_a_minute) = @words.figure(litres_a_minute, "L/min")
      def caught(bucket) = "#{Words.plain(bucket.litres)} L · 60 / #{Words.plain(bucket.seconds)} s = #{flow(bucket.flow)}"
      def percent(share) = "#{(share * 100).round} %"
    end
  end
end
