# frozen_string_literal: true

require_relative "../4_demand/positions"
require_relative "../value"
require_relative "order"

module Gimlet::Core
  class Order
    # Where one piece of a pump goes. `at` is its place in the drawing of the stack, `part` the number that is wanted there, nil where none is on
    # file; `how` one of Places::HOW, `day` when a piece that is to come is expected, `why` why there is none.
    Place = Value.of(:pump, :stack, :title, :position, :at, :slot, :piece, :part, :renewed, :how, :day, :why)

    # How every place that the work opens is filled, pump by pump and position by position. Tray, order, papers and bench read this one value.
    #
    #   Places.of_order(order.record, life).says # => "18 places: 12 in the bag, 3 to come, 3 empty"
    class Places
      # In the order in which pieces are shared out: what is surest fills the first place.
      HOW = { "own" => "the customer has it", "out" => "with the customer", "bag" => "in the bag", "shelf" => "on the shelf", "coming" => "to come",
              "left_out" => "left out", "empty" => "empty", "kept" => "the old piece goes back" }.freeze
      OPEN = %w[left_out empty].freeze

      # Sale units of one number: `covers` is { wanted number => pieces in one }, `units` rows of how, how many, and the day.
      Supply = Value.of(:covers, :units)
      # Why a number, or a piece without one, is not to be had; `by_hand` where somebody left it out.
      Gap = Value.of(:part, :name, :why, :by_hand)
      # Positions that stand alike: `layers` is how each piece of the stack stands, nil for one that stays where it is; `title` names both.
      Row = Value.of(:title, :where, :layers) do
        # @return [Boolean] whether a piece of it is not there
        def hole? = layers.any? { |how| how == "coming" || OPEN.include?(how) }
      end

      NOT_SAID = "nothing of this order fills it"

      # @param demand [Demand]
      # @param plan [KitPlan::Plan]
      # @param pumps [Integer]
      # @param days [Hash{String=>Object}] number of a line => the day on which what is short of it comes
      # @return [Places] as they would be filled
      def self.of_plan(demand, plan, pumps: 1, days: {})
        stacks = demand.fates.map { |fate| fate.place.stack }.uniq
        spots = demand.fates.map { |fate| spot(fate, demand) }
        supply = plan.lines.map do |line|
          Supply.new(covers: line.covers, units: [["shelf", line.quantity - line.short], ["coming", line.short, days[line.number]]])
        end
        gaps = plan.unfilled.map { |one| Gap.new(part: one.number, name: one.name, why: one.reason, by_hand: one.by_hand) }
        new(spots, pumps, own: demand.lines.to_h { |line| [line.part.number, line.had] }, supply: supply, gaps: gaps,
                          sizes: stacks.to_h { |stack| [stack.id, stack.layers_of(demand.variant).size] })
      end

      def self.spot(fate, demand)
        place = fate.place
        layers = place.stack.layers_of(demand.variant)
        Place.new(stack: place.stack.id, title: place.stack.name, position: place.position, at: layers.index(place.layer), slot: place.layer.slot,
                  piece: place.layer.name, part: demand.number(place.layer.slot), renewed: fate.kind == :replace)
      end
      private_class_method :spot

      # @param record [Hash] of the present version
      # @param life [Life, nil] nil for the places as they were agreed
      # @param days [Hash{String=>Object}] number of a line => the day on which what is short of it comes
      # @return [Places] as the ledger fills them; of a cancelled order none
      def self.of_order(record, life, days: {})
        spots = life&.state == "cancelled" ? [] : record["stacks"].flat_map { |stack| spots(stack) }
        gaps = record["parts"]["unfilled"].map { |row| Gap.new(part: row["part"], name: row["name"], why: row["reason"], by_hand: row["by_hand"]) }
        new(spots, record["work"]["pumps"], own: record["why"].to_h { |row| [row["part"], row["had"]] }, gaps: gaps,
                                            supply: record["parts"]["lines"].map { |line| supply(line, life, days) },
                                            sizes: record["stacks"].to_h { |stack| [stack["id"], stack["layers"].size] })
      end

      def self.spots(stack)
        stack["layers"].each_with_index.flat_map do |layer, at|
          layer["fates"].zip(stack["positions"]).filter_map do |fate, position|
            fate && Place.new(stack: stack["id"], title: stack["name"], position: position, at: at, slot: layer["slot"], piece: layer["name"],
                              part: layer["part"], renewed: fate == "replace")
          end
        end
      end

      # A quote promises nothing yet: its pieces lay on the shelf, or did not, when it was made.
      def self.supply(line, life, days)
        good = life&.good(line["number"])
        units = if good.nil? || life.state == "quoted"
                  [["shelf", line["quantity"] - line["short"].to_i], ["coming", line["short"].to_i]]
                else
                  of_good(good, line["quantity"], days[line["number"]])
                end
        Supply.new(covers: line["covers"] || {}, units: units)
      end

      # What goes along in case fills no place, so what is surest is counted to the line.
      def self.of_good(good, quantity, day)
        left = quantity
        [["out", good.out], ["bag", good.bagged], ["shelf", good.reserved], ["coming", good.short, day]].map do |how, count, on|
          taken = [left, count].min
          left -= taken
          [how, taken, on]
        end
      end
      private_class_method :spots, :supply, :of_good

      # @return [Array<Place>]
      attr_reader :all

      # @param sizes [Hash{String=>Integer}] stack => how many pieces it is drawn with
      def initialize(spots, pumps, own:, supply:, gaps:, sizes: {})
        @gaps = gaps
        @sizes = sizes
        wanted = spots.select(&:renewed).group_by(&:part).transform_values { |same| same.size * pumps }
        pieces = wanted.to_h { |part, count| [part, pieces(part, own, supply).first(count)] }
        @all = (1..pumps).flat_map { |pump| spots.map { |spot| filled(spot.with(pump: pump), pieces) } }
      end

      # @return [Hash{String=>Integer}] how => how many places, those that have any
      def counts = HOW.keys.to_h { |how| [how, @all.count { |place| place.how == how }] }.reject { |_, count| count.zero? }

      # @return [Array<Place>] that nothing fills, and nothing will
      def open = @all.select { |place| OPEN.include?(place.how) }

      # @return [Array<Place>]
      def to_come = @all.select { |place| place.how == "coming" }

      # @return [String] how they stand, those aside whose old piece goes back
      def says
        told = counts.except("kept")
        total = told.values.sum
        return "no place needs a new piece" if total.zero?

        "#{total} #{total == 1 ? 'place' : 'places'}: #{told.map { |how, count| "#{count} #{HOW.fetch(how)}" }.join(', ')}"
      end

      # @return [Array<String>] what is not in the bag and will not be: each paper has them first
      def lacking = grouped(open).map { |same| "NOT IN THE BAG: #{said(same)}: #{same.first.why}." }

      # @return [Array<String>] by day, what it is for
      def coming
        to_come.group_by { |place| [place.title, place.day] }.map do |(title, day), same|
          pieces = same.one? ? same.first.piece : "#{same.size} pieces"
          "TO COME: #{pieces} for #{titled(title, at(same))}#{": #{day}" if day}."
        end
      end

      # @param stack [String] id
      # @return [Array<Row>] its positions, those that stand alike together
      def rows(stack)
        mine = @all.select { |place| place.stack == stack }
        size = @sizes.fetch(stack)
        by_position = mine.group_by { |place| [place.pump, place.position] }
        by_position.group_by { |_, some| layers(some, size) }.map do |layers, some|
          where = where(some.map(&:first))
          Row.new(title: titled(mine.first.title, where), where: where, layers: layers)
        end
      end

      private

      # @return [Array<Array>] how and day of each piece that there is of a number
      def pieces(part, own, supply)
        bought = supply.select { |one| one.covers.key?(part) }.flat_map { |one| shared(one.covers[part], one.units) }
        ([["own", nil]] * own.fetch(part, 0)) + bought.sort_by.with_index { |(how, _), at| [HOW.keys.index(how), at] }
      end

      def layers(places, size) = places.each_with_object([nil] * size) { |place, all| all[place.at] = place.how }

      # A kit's piece that may serve two numbers serves each with a part of its units: whole pieces, all of them in the end.
      def shared(each, units)
        sold = given = 0
        units.flat_map do |how, count, day|
          sold += count
          more = (each * sold).round - given
          given += more
          [[how, day]] * more
        end
      end

      def filled(place, pieces)
        return place.with(how: "kept") unless place.renewed

        how, day = pieces[place.part].shift
        how ? place.with(how: how, day: day) : unfilled(place)
      end

      def unfilled(place)
        gap = @gaps.find { |one| one.part == place.part && (one.part || one.name == place.piece) }
        place.with(how: gap&.by_hand ? "left_out" : "empty", why: gap ? gap.why : NOT_SAID)
      end

      def grouped(places) = places.group_by { |place| [place.title, place.piece, place.part, place.why, place.day] }.values

      def said(same)
        place = same.first
        "#{same.size} × #{[place.piece, place.part].compact.join(' ')}, needed for #{titled(place.title, at(same))}"
      end

      def at(same) = where(same.map { |one| [one.pump, one.position] })

      # "packing, cylinder 1"; a position that is called after its stack says it already.
      def titled(title, where) = where.start_with?(title) ? where : "#{title}, #{where}"

      # "cylinder 1, 2, 3", or "cylinder 1 of pump 2" where it is not so on every pump.
      def where(places)
        pumps = @all.map(&:pump).uniq
        by_pump = places.group_by(&:first).transform_values { |same| same.map(&:last).uniq }
        return Positions.short(by_pump.values.first) if by_pump.keys == pumps && by_pump.values.uniq.one?

        by_pump.keys.group_by { |pump| by_pump[pump] }.map { |positions, some| "#{Positions.short(positions)} of pump #{some.join(', ')}" }.join("; ")
      end
    end
  end
end
