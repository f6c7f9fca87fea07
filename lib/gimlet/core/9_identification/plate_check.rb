# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Identification
    # A plate, sticker or bag may be that of another pump. Where its siblings, or most other pumps, would need another order and nothing
    # else has told them off, something cheap is checked before the order is called enough.
    class PlateCheck
      # A reading that fits so much worse speaks against a pump.
      WORSE = 0.5
      # So much of the siblings, and of all pumps, must be told off.
      SIBLINGS, OTHERS = 0.5, 0.6

      # `trait` is what to ask for next, nil when nothing is left that could be told.
      Unconfirmed = Value.of(:trait)

      # @param field [Field]
      # @param classes [OrderClasses]
      # @param posterior [Posterior]
      # @param leading [OrderClass]
      def initialize(field, classes, posterior, leading)
        @field = field
        @classes = classes
        @posterior = posterior
        @leading = leading
        @leader = leading.members.first
      end

      # @param readings [Array<Readings::Reading>] with those that were not sure
      # @param channel [String]
      # @return [Unconfirmed, nil] nil when no plate led here, or all is confirmed, or no trait on file could confirm it
      def call(readings, channel)
        return unless @posterior.weighed.any? { |observed| named?(observed) }

        check(readings, channel, siblings_told_off?) { |trait| tells_siblings?(trait, channel) } ||
          check(readings, channel, others_told_off?) { |trait| tells_others?(trait, channel) }
      end

      private

      def named?(weighed) = weighed.observation.trait.kind.respond_to?(:weigh)

      def siblings
        @siblings ||= @field.family(@field.hypotheses[@leader].family).reject { |at| @classes.id_of(at) == @leading.id }
      end

      # Readings besides the plate that speak for the leader.
      def confirming
        @confirming ||= @posterior.weighed.reject { |observed| named?(observed) }.select { |observed| observed.fit(@leader) >= WORSE }
      end

      def siblings_told_off?
        return true if siblings.empty?

        share(siblings.select { |at| confirming.any? { |observed| observed.fit(at) < WORSE * observed.fit(@leader) } }) >= SIBLINGS
      end

      # One reading that most other pumps would not have given.
      def others_told_off?
        confirming.any? do |observed|
          worse(observed.found, observed.found[observed.places[@leader]]).sum { |place| observed.shares[place] } >= OTHERS
        end
      end

      def worse(fits, mine) = fits.each_index.select { |place| fits[place] < WORSE * mine }

      # Among traits of one group that could not be answered, another of the group is no use.
      def check(readings, channel, told_off, &tells)
        return if told_off

        telling = @field.vocabulary.traits.values.select { |trait| trait.cost(channel) && answerable?(trait) && tells.call(trait) }
        return if telling.empty?

        tried, open = telling.partition { |trait| readings.any? { |reading| reading.trait == trait.id } }
        spent = tried.filter_map(&:group)
        Unconfirmed.new(trait: open.reject { |trait| spent.include?(trait.group) }.min_by { |trait| trait.cost(channel) })
      end

      def answerable?(trait)
        return false if trait.slot || trait.many || !trait.kind.compared?

        column = @field.column(trait.id)
        !trait.kind.blank?(column.values[column.places[@leader]])
      end

      # Whether its answer would speak against most siblings, or most other pumps.
      def tells_siblings?(trait, channel)
        column, fits, mine = as_the_leader_has_it(trait, channel)
        share(siblings.select { |at| fits[column.places[at]] < WORSE * fits[mine] }) >= SIBLINGS
      end

      def tells_others?(trait, channel)
        column, fits, mine = as_the_leader_has_it(trait, channel)
        worse(fits, fits[mine]).sum { |place| column.shares[place] } >= OTHERS
      end

      def as_the_leader_has_it(trait, channel)
        column = @field.column(trait.id)
        mine = column.places[@leader]
        [column, @field.chances(trait, channel).row(column.values[mine]), mine]
      end

      def share(part) = part.sum { |at| prior[at] } / siblings.sum { |at| prior[at] }
      def prior = @prior ||= @field.prior
    end
  end
end
