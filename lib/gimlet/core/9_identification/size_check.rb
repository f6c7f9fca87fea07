# frozen_string_literal: true

require_relative "../2_readings/plates/plate_match"
require_relative "../value"

module Gimlet::Core
  module Identification
    # A series may have sizes that are not on file. Where nothing that goes by size was told, all that was said fits those as well: one thing
    # that does is told before the order is called enough, or it stands for a reason.
    class SizeCheck
      # A reading that fits so much worse speaks against a pump.
      WORSE = 0.5
      # Of the series with several sizes, so many have several values of it: what is nearly as often alike tells no size.
      SURELY = 0.8

      # `trait` is what to ask for next, nil when nothing is left that could be told.
      Unconfirmed = Value.of(:trait)

      # @param field [Field]
      # @param posterior [Posterior]
      # @param leading [OrderClass]
      def initialize(field, posterior, leading)
        @field = field
        @posterior = posterior
        @leader = leading.members.first
      end

      # @param readings [Array<Readings::Reading>] with those that were not sure
      # @param channel [String]
      # @return [Unconfirmed, nil] nil where a size was told, or the leader has none on file
      def call(readings, channel)
        return if @posterior.weighed.any? { |observed| tells_size?(observed) }

        tried = readings.map(&:trait)
        spent = tried.filter_map { |id| @field.vocabulary.trait(id).group }
        telling = askable(channel)
        return if telling.empty?

        Unconfirmed.new(trait: telling.reject { |one| tried.include?(one.id) || spent.include?(one.group) }.min_by { |one| one.cost(channel) })
      end

      private

      def tells_size?(observed) = by_size?(observed.column) && observed.fit(@leader) >= WORSE && reads?(observed)

      # A plate or number that is read clearly and is another one tells no size of this pump: it may be of one that is not on file.
      def reads?(observed)
        observation = observed.observation
        return true unless observation.trait.kind.respond_to?(:weigh)

        column = @field.column(observation.trait.id)
        names = Array(column.values[column.places[@leader]])
        observation.readings.any? { |reading| names.any? { |name| Readings::PlateMatch.new(reading.value).reads?(name) } }
      end

      def by_size?(column) = @field.unlisted.share_by_size(column) >= SURELY

      def askable(channel)
        @field.vocabulary.traits.values.select { |trait| trait.cost(channel) && !trait.slot && !trait.many && told_by_size?(trait) }
      end

      def told_by_size?(trait)
        column = @field.column(trait.id)
        own = column.values[column.places[@leader]]
        by_size?(column) && !trait.kind.blank?(own) && !own.is_a?(Range)
      end
    end
  end
end
