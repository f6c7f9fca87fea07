# frozen_string_literal: true

require_relative "../plain"
require_relative "../1_catalogue/inspection"
require_relative "../input_error"
require_relative "../value"

module Gimlet::Core
  # What was found when a piece was looked over. `position` nil speaks of all of them. `measured` is { measure => value } in the unit of the
  # layer's criterion; where it is given, the limit decides. `because` is what was found on another piece that decides about this one.
  Finding = Value.of(:slot, :position, :outcome, :measured, :because)

  # Reading and judging findings.
  class Finding
    # @param fields [Hash{Symbol=>Object}]
    # @return [Finding]
    def self.from(fields)
      known = fields.slice(:slot, :position, :outcome, :because)
      new(**known, measured: fields[:measured]&.transform_keys(&:to_s))
    end

    # @param layers [Array<Catalogue::Layer>] those of the slot
    # @return [Finding] with its outcome
    # @raise [InputError] where nothing follows from it, or two things
    def judged(layers)
      return self unless measured

      limits = layers.flat_map(&:limits)
      broken = measured.filter_map { |measure, value| broken(limits, measure, value) }.first
      followed = broken&.outcome || "as_it_is"
      if outcome && broken && outcome != followed && outcome != "replace"
        InputError.reject("outcome", "against_the_limit", "#{measured.values.first} is beyond the limit (#{broken.limit}): " \
                                                          "#{Catalogue::OUTCOMES.fetch(followed)}, or measure again.")
      end
      with(outcome: outcome || followed)
    end

    # @param layers [Array<Catalogue::Layer>] those of the slot
    # @return [Array<Finding>] what follows for other pieces
    def decided(layers)
      criteria = layers.flat_map { |layer| layer.criteria.map { |one| [layer.name, one] } }.uniq
      criteria.select { |_, one| one.decides && speaks_of?(one) }.flat_map do |name, one|
        because = "#{name}: #{one.sign || one.bounds}"
        one.decides.map { |slot| Finding.new(slot: slot, position: position, outcome: "replace", because: because) }
      end
    end

    # @return [String] why, for the order: "free length 18.1 (at least 18.5 mm)"
    def why(layer)
      return because if because

      limit = layer.limits.find { |one| measured&.key?(one.measure) }
      return "#{limit.measure} #{measured[limit.measure]} measured, limit #{limit.limit.delete_prefix(limit.measure).strip}" if limit

      signs = layer.checks.select { |check| check.outcome == outcome }.filter_map(&:sign)
      signs.empty? ? "found at inspection" : "found at inspection: #{signs.join(', or ')}"
    end

    private

    def speaks_of?(criterion)
      return criterion.outcome == outcome unless criterion.measure

      measured&.key?(criterion.measure) && criterion.broken_by?(measured[criterion.measure])
    end

    def broken(limits, measure, value)
      limit = limits.find { |one| one.measure == measure } or
        InputError.reject("measured", "unknown_measure", "“#{measure}” has no limit on file for #{Plain.name(slot)}: " \
                                                         "use #{limits.map(&:measure).join(', ')}.")
      InputError.reject("measured", "not_a_number", "#{measure}: “#{value}” is not a number.") unless value.is_a?(Numeric)
      limit if limit.broken_by?(value)
    end
  end
end
