# frozen_string_literal: true

require_relative "../plates/plate_index"
require_relative "kind"

module Gimlet::Core
  module Readings
    module Kinds
      # Text that names a pump or a part and may be damaged. A value on file is an array of names.
      #
      # Whoever reads out a wrong plate, sticker or bag reads that of another pump: often of a sibling (same `family`), else of any.
      module Named
        include Kind

        def free? = true
        def definable? = false
        def compared? = false
        def not_to_be_read?(_trait) = true
        def example(_trait, names, _noun) = Array(names).first.to_s
        def index(values, before = nil) = NameIndex.new(values, before)
        def label(_trait, value) = Array(value).first.to_s

        # @param names [NameIndex]
        # @return [Array(Array<Float>, Float)] for each place of the column, and for a pump that no catalogue has
        def weigh(reading, names, families)
          return denied(reading, names, families) if reading.denied

          found = names.search(reading.value)
          wrong = mistaken(reading)
          any = names.mean(found)
          nothing = Likelihoods::NO_NAME * (Likelihoods::CHANCE_GLYPH**names.readable(reading.value))
          siblings = names.family_means(found, families)
          all = families.each_with_index.map do |family, place|
            of_another = (Likelihoods::SIBLING * siblings[family]) + (Likelihoods::OTHER_PUMP * any) + nothing
            ((1 - wrong) * (found[place] || 0.0)) + (wrong * of_another)
          end
          [all, names.unheard_of(reading.value, found)]
        end

        # "It is no SC325L": whatever is called so is not meant.
        def denied(reading, names, families)
          found = names.search(reading.value)
          top = found.values.max || 0
          wrong = mistaken(reading)
          [families.each_index.map { |place| found[place] && found[place] >= top ? wrong : 1 - wrong }, 1 - wrong]
        end

        def best(reading)
          return 1 - mistaken(reading) if reading.denied

          readable = reading.value.count("A-Za-z0-9")
          Math.exp(WORST_READ + (readable * PlateMatch::SAME))
        end

        # A plate with two lookalikes and one end glyph lost is still a plate of that pump.
        WORST_READ = (2 * PlateMatch::ALIKE) + PlateMatch::LOST_END
      end
    end
  end
end
