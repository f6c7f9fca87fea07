# frozen_string_literal: true

require_relative "../input_error"
require_relative "../value"
require_relative "figures"

module Gimlet
  module Core
    module Flow
      # A bucket and a watch. `rated` is the pump's flow, `supply` what the feed alone gives, both in L/min; `turns` what the shaft does and
      # `rated_turns` what it should, in rpm; `displaced` what the plungers sweep. All but litres and seconds may be nil.
      Bucket = Value.of(:litres, :seconds, :nozzle, :bar, :rated, :displaced, :supply, :turns, :rated_turns) do
        # @return [Float] L/min
        def flow = litres * 60.0 / seconds

        # @return [Float, nil] L/min that the nozzle takes at this pressure when it is new
        def nozzle_flow = nozzle && bar && (nozzle * EQUATIONS.find { |one| one.id == "nozzle" }.constant * Math.sqrt(bar))
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
        # The feed should give this much more than the pump takes. Common practice, no source.
        SUPPLY = 1.2
        # `share` of what should be, `sum` written out, `sign` of the diagnosis that it speaks to, with how likely the figure is where the sign
        # is there and where it is not.
        Told = Value.of(:name, :share, :sum, :sign, :there, :gone)

        # @param bucket [Bucket]
        # @return [Array<Told>]
        # @raise [InputError]
        def call(bucket)
          { "litres" => bucket.litres, "seconds" => bucket.seconds }.each do |name, value|
            value.positive? || InputError.reject(name, "no_size",
                                                 "#{name.capitalize} of a bucket test are above zero: #{bucket.litres} L / #{bucket.seconds} s.")
          end
          [delivery(bucket), volumetric(bucket), nozzle(bucket), speed(bucket), supply(bucket)].compact
        end

        private

        # Of what the plate says, however fast the shaft turns: a slow one makes the bucket short too.
        def delivery(bucket)
          return unless bucket.rated

          share = bucket.flow / bucket.rated
          told("delivery", share, "#{caught(bucket)}: #{percent(share)} of #{plain(bucket.rated)} L/min", ["bucket_short", SHORT])
        end

        def volumetric(bucket)
          return unless bucket.displaced

          share = bucket.flow / bucket.displaced
          swept = "#{plain(bucket.displaced)} L/min that the plungers sweep"
          Told.new(name: "volumetric efficiency", share: share,
                   sum: "#{caught(bucket)}: #{percent(share)} of the #{swept}, so #{percent(1 - share)} slips back")
        end

        def nozzle(bucket)
          takes = bucket.nozzle_flow or return
          share = bucket.flow / takes
          number, taken, bar = plain(bucket.nozzle), plain(takes), plain(bucket.bar)
          sum = "N·√(p/4000): number #{number} takes #{taken} L/min at #{bar} bar; #{percent(share)} of that goes through"
          told("nozzle", share, sum, ["nozzle_big", WORN])
        end

        def speed(bucket)
          return unless bucket.turns && bucket.rated_turns

          share = bucket.turns / bucket.rated_turns.to_f
          told("speed", share, "#{plain(bucket.turns)} / #{plain(bucket.rated_turns)} rpm: #{percent(share)}", ["turns_slowly", SLOW], off: OFF / 3)
        end

        def supply(bucket)
          return unless bucket.supply && bucket.rated

          wanted = bucket.rated * SUPPLY
          sum = "#{plain(bucket.supply)} L/min of feed: #{percent(bucket.supply / wanted)} of the #{plain(wanted)} L/min that it should give"
          # More than enough is as good as enough.
          told("feed", [bucket.supply / wanted, 1].min, sum, ["inlet_weak", WEAK])
        end

        # @param wrong [Array(String, Range)] a sign, and the shares that lie about evenly where it is there
        def told(name, share, sum, wrong, off: OFF)
          sign, range = wrong
          Told.new(name: name, share: share, sum: sum, sign: sign, there: smoothed(share, range, off), gone: bell(share - 1, off))
        end

        # Even within the range, and off by the measuring at its ends.
        def smoothed(share, range, off)
          inside = share.clamp(range.begin, range.end)
          bell(share - inside, off) * off * Math.sqrt(2 * Math::PI) / (range.end - range.begin)
        end

        def bell(distance, off) = Math.exp(-((distance / off)**2) / 2) / (off * Math.sqrt(2 * Math::PI))
        def caught(bucket) = "#{plain(bucket.litres)} L · 60 / #{plain(bucket.seconds)} s = #{plain(bucket.flow)} L/min"
        def percent(share) = "#{(share * 100).round} %"
        def plain(value) = value.round(1).then { |one| one == one.to_i ? one.to_i : one }
      end
    end
  end
end
