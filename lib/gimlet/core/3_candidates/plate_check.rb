# frozen_string_literal: true

require_relative "../value"

module Gimlet
  module Core
    module Candidates
      # A plate, sticker or bag may be that of another pump. Where its siblings, or most other pumps, would need another order and nothing
      # else has told them off, something cheap is checked before the order is called enough.
      class PlateCheck
        # A reading that fits so much worse speaks against a pump.
        WORSE = 0.5
        # So much of the siblings, and of all others, must be told off.
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
          return unless @posterior.weighed.any? { |one| named?(one) }

          rivals.filter_map { |some, most| check(some, most, readings, channel) unless some.empty? || told_off?(some, most) }.first
        end

        private

        def named?(weighed) = weighed.observation.trait.way.respond_to?(:weigh)

        # Pumps that need another order: siblings, and the rest.
        def rivals
          family = @field.possibilities[@leader].family
          other = @field.possibilities.each_index.reject { |at| @classes.id_of(at) == @leading.id }
          siblings, rest = other.partition { |at| @field.possibilities[at].family == family }
          [[siblings, SIBLINGS], [rest, OTHERS]]
        end

        def told_off?(some, most)
          confirming = @posterior.weighed.reject { |one| named?(one) }.select { |one| one.fit(@leader) >= WORSE }
          share(some.select { |at| confirming.any? { |one| one.fit(at) < WORSE * one.fit(@leader) } }, some) >= most
        end

        # Among traits of one group that could not be answered, another of the group is no use.
        def check(some, most, readings, channel)
          telling = @field.vocabulary.traits.values.select { |trait| trait.cost(channel) && tells?(trait, some, most, channel) }
          return if telling.empty?

          tried, open = telling.partition { |trait| readings.any? { |one| one.trait == trait.id } }
          spent = tried.filter_map(&:group)
          Unconfirmed.new(trait: open.reject { |trait| spent.include?(trait.group) }.min_by { |trait| trait.cost(channel) })
        end

        # Whether its answer would speak against most of them.
        def tells?(trait, some, most, channel)
          return false if trait.slot || trait.many || %w[serial plate].include?(trait.kind)

          column = @field.column(trait.id)
          mine = column.places[@leader]
          return false if trait.way.blank?(column.values[mine])

          fits = @field.chances(trait, channel).row(column.values[mine])
          share(some.select { |at| fits[column.places[at]] < WORSE * fits[mine] }, some) >= most
        end

        def share(part, all) = part.sum { |at| prior[at] } / all.sum { |at| prior[at] }
        def prior = @prior ||= @field.prior
      end
    end
  end
end
