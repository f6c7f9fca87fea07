# frozen_string_literal: true

require_relative "../value"
require_relative "words"

module Gimlet::Core
  module Flow
    # A bucket with more in it than the pump can give tells of no fault: it is another pump, or a figure is wrong, and what else was measured
    # says which.
    #
    #   TooMuch.new.call(bucket) # => "18 L/min is 120 % of … a pump of 18 L/min, or the bucket …"
    class TooMuch
      # A plunger pump never gives more than it sweeps; a bucket, a watch and a plate are off by so much together. Common practice, no source.
      RATED = 1.12
      SWEPT = 1.05
      AGREES = 0.08

      # @param words [Words]
      def initialize(words = Words.new)
        @words = words
      end

      # @param bucket [Bucket]
      # @return [String, nil]
      def call(bucket)
        return more_than_the_feed(bucket) if bucket.supply && bucket.flow > bucket.supply * (1 + AGREES)

        most = [most(bucket, rated(bucket), RATED), most(bucket, bucket.displaced, SWEPT)].compact.max or return
        share = (bucket.flow / most * 100).round
        "#{flow(bucket.flow)} in the bucket is #{share} % of the #{flow(most)} that this pump can give. #{which(bucket, most)}"
      end

      private

      # What it can give, where the bucket holds more.
      def most(bucket, gives, times) = (gives if gives && bucket.flow > gives * times)

      # At the speed that was counted.
      def rated(bucket)
        bucket.rated && (bucket.turns && bucket.rated_turns ? bucket.rated * bucket.turns / bucket.rated_turns.to_f : bucket.rated)
      end

      def more_than_the_feed(bucket)
        "#{flow(bucket.flow)} in the bucket is more than the #{flow(bucket.supply)} that the feed gives: litres, seconds or the feed are wrong."
      end

      def which(bucket, most)
        takes = bucket.nozzle_flow
        should = "#{Words.plain(bucket.litres)} L should take #{(bucket.litres * 60 / most).round} s"
        if takes.nil? then "#{another(bucket).sub('it', 'It')}, or litres or seconds are wrong: #{should}."
        elsif near?(takes, bucket.flow) then "Nozzle and gauge say the same as the bucket: #{another(bucket)}."
        elsif near?(takes, most) then "Nozzle and gauge say what it should give: litres or seconds are wrong, #{should}."
        else "Bucket, nozzle and plate say three things: measure the bucket again."
        end
      end

      # Where the turns were counted, they are no way out.
      def another(bucket)
        turns = bucket.turns.nil? && bucket.rated_turns ? ", or it turns at #{(bucket.rated_turns * bucket.flow / bucket.rated).round} rpm" : ""
        "it is another pump, one of #{flow(bucket.flow)}#{turns if bucket.rated}"
      end

      def near?(one, other) = ((one / other) - 1).abs <= AGREES
      def flow(litres_a_minute) = @words.figure(litres_a_minute, "L/min")
    end
  end
end
