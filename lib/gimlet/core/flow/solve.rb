# frozen_string_literal: true

require_relative "../input_error"
require_relative "../value"
require_relative "figures"
require_relative "words"

module Gimlet::Core
  module Flow
    # A figure that was worked out: `sum` is written out, `assumed` names usual figures it rests on.
    Worked = Value.of(:id, :value, :sum, :assumed)
    # Given figures that cannot all be true: by `equations` together one side is `times` the other. `would_be` is what each of them would have
    # to be for the rest to stand.
    Disagreement = Value.of(:equations, :times, :would_be, :sum)
    # `given`, `worked` and `assumed` by id.
    Solved = Value.of(:given, :worked, :assumed, :disagreements)

    # From any known figures the rest: each equation is a product of powers, so their logarithms are linear equations, and elimination finds
    # every figure that the known ones say, one equation or several at once. Where more is known than needed, it says what disagrees.
    class Solve
      # Figures read off plates and gauges agree within this.
      AGREES = 0.03
      # A nozzle's number and a gauge are each off by some per cent: less than this they do not tell apart. Common practice, no source.
      TELLS = 0.1
      BY_GAUGE = %w[nozzle orifice].freeze
      # One equation, or several together: powers of what is not known, logarithm of the rest, and how often each equation is in it.
      Row = Value.of(:powers, :constant, :from)

      # @param words [Words] that sums are written in
      def initialize(words = Words.new)
        @words = words
      end

      # @param given [Hash{String=>Numeric}] of FIGURES
      # @return [Solved]
      # @raise [InputError] beyond what a figure can be
      def call(given)
        given.each { |id, value| bounded(id, value) }
        @given = given
        @eliminated = {}
        rows = eliminated(given)
        assumed = assumptions(given)
        all = worked(given, assumed)
        beyond = all.values.reject { |one| possible?(one) }
        sure = beyond.select { |one| one.assumed.empty? }.map { |one| impossible(one) }
        Solved.new(given: given, worked: all.except(*beyond.map(&:id)), assumed: assumed,
                   disagreements: disagreements(rows) + sure + [no_motor].compact)
      end

      private

      # No number of poles turns so fast on this mains.
      def no_motor
        rpm, mains = @given.values_at("motor_rpm", "mains_hz")
        return if rpm.nil? || mains.nil? || @given.key?("poles") || turns?(rpm, mains)

        others = [50, 60].select { |other| turns?(rpm, other) }
        two, four = [2, 4].map { |poles| plain(120.0 * mains / poles) }
        Disagreement.new(equations: ["motor"], times: nil, would_be: others.empty? ? {} : { "mains_hz" => others.first.to_f },
                         sum: "No motor turns #{plain(rpm)} rpm on #{plain(mains)} Hz: at most #{two} with 2 poles, #{four} with 4, " \
                              "a little less under load")
      end

      def turns?(rpm, mains)
        slip = FIGURES.fetch("speed_share")
        (2..FIGURES.fetch("poles").most).step(2).any? { |poles| (rpm * poles / 120.0 / mains).between?(slip.least, slip.most) }
      end

      def bounded(id, value)
        figure = FIGURES.fetch(id)
        stepped(figure, value) if figure.step
        return if value.between?(figure.least, figure.most)

        unit = " #{figure.unit}" if figure.unit
        InputError.reject(id, "out_of_range",
                          "#{figure.name.capitalize} lies between #{plain(figure.least)} and #{plain(figure.most)}#{unit}, not #{plain(value)}.")
      end

      # There is no third pole and no half plunger.
      def stepped(figure, value)
        return if (value % figure.step).zero?

        InputError.reject(figure.id, "out_of_step",
                          "There are #{figure.step == 2 ? 'even numbers of' : 'whole'} #{figure.name}, not #{plain(value)}.")
      end

      # @return [Array<Row>] Gauss-Jordan over what is not known, exact in the powers
      def eliminated(known) = @eliminated[known] ||= elimination(known)

      def elimination(known)
        rows = EQUATIONS.map { |equation| row(equation, known) }
        done = []
        while (at = rows.index { |row| row.powers.any? })
          pivot = rows.delete_at(at)
          id, power = pivot.powers.first
          pivot = scaled(pivot, 1 / power)
          rows, done = [rows, done].map { |some| some.map { |one| one.powers[id] ? minus(one, pivot, one.powers[id]) : one } }
          done << pivot
        end
        done + rows
      end

      def row(equation, known)
        told = equation.powers.slice(*known.keys).sum { |id, power| power * Math.log(known[id]) }
        Row.new(powers: equation.powers.except(*known.keys), constant: Math.log(equation.constant) - told, from: { equation.id => 1r })
      end

      def scaled(row, times)
        powers, from = [row.powers, row.from].map { |some| some.transform_values { |one| one * times } }
        Row.new(powers: powers, constant: row.constant * times, from: from)
      end

      def minus(row, other, times)
        less = scaled(other, -times)
        added = ->(one, two) { one.merge(two) { |_, left, right| left + right }.reject { |_, value| value.zero? } }
        Row.new(powers: added.call(row.powers, less.powers), constant: row.constant + less.constant, from: added.call(row.from, less.from))
      end

      def solved(rows) = rows.select { |row| row.powers.size == 1 }.to_h { |row| [row.powers.keys.first, row] }

      # Usual figures, where they lead on: one that the known figures say already is not assumed.
      def assumptions(given)
        FIGURES.values.select(&:usual).reduce({}) do |all, figure|
          known = given.merge(all)
          next all if known.key?(figure.id) || solved(eliminated(known)).key?(figure.id) || !touched?(figure, known)

          more = known.merge(figure.id => figure.usual)
          gained = solved(eliminated(more)).keys - solved(eliminated(known)).keys
          gained.any? ? all.merge(figure.id => figure.usual) : all
        end
      end

      def touched?(figure, known)
        said = known.keys + solved(eliminated(known)).keys
        EQUATIONS.any? { |equation| equation.powers.key?(figure.id) && equation.powers.keys.any? { |id| said.include?(id) } }
      end

      def possible?(worked)
        worked.value.between?(FIGURES.fetch(worked.id).least * (1 - AGREES), FIGURES.fetch(worked.id).most * (1 + AGREES))
      end

      def impossible(worked)
        figure = FIGURES.fetch(worked.id)
        Disagreement.new(equations: [], times: nil, would_be: {},
                         sum: "#{worked.sum}, and that lies between #{plain(figure.least)} and #{plain(figure.most)}: " \
                              "one of these figures is wrong")
      end

      def worked(given, assumed)
        sure = solved(eliminated(given))
        all = solved(eliminated(given.merge(assumed)))
        all.to_h do |id, row|
          value = Math.exp(row.constant)
          rests = sure.key?(id) ? [] : assumed.keys & rests_on(row)
          [id, Worked.new(id: id, value: value, sum: sum(id, value, row, given.merge(assumed)), assumed: rests)]
        end
      end

      def rests_on(row) = EQUATIONS.select { |equation| row.from.key?(equation.id) }.flat_map { |equation| equation.powers.keys }.uniq

      # In words: the equations, the figures that went in, what comes out.
      def sum(id, value, row, known)
        used = EQUATIONS.select { |equation| row.from.key?(equation.id) }
        figures = known.slice(*rests_on(row)).map { |name, one| said(name, one) }
        "#{used.map(&:text).join(' and ')}: with #{figures.join(', ')} #{said(id, value)}"
      end

      def said(id, value)
        figure = FIGURES.fetch(id)
        "#{figure.name} #{@words.figure(value, figure.unit)}"
      end

      # Rows in which nothing is unknown: their two sides are equal, or figures disagree.
      def disagreements(rows)
        rows.select { |row| row.powers.empty? && row.constant.abs > Math.log(1 + AGREES) }.map do |row|
          used = EQUATIONS.select { |equation| row.from.key?(equation.id) }
          times = Math.exp(row.constant.abs)
          Disagreement.new(equations: used.map(&:id), times: times, would_be: would_be(row, used),
                           sum: "#{used.map(&:text).join(' and ')}: #{apart(row, used, times)}")
        end
      end

      def apart(row, used, times)
        figures = @given.slice(*rests_on(row)).map { |id, value| said(id, value) }.join(", ")
        return "#{figures} cannot all be true" if times > 1 + TELLS || used.none? { |equation| BY_GAUGE.include?(equation.id) }

        "#{figures} are #{((times - 1) * 100).round} % apart: nozzle and gauge do not tell that, they may all be true"
      end

      def would_be(row, used)
        powers = used.each_with_object(Hash.new(0)) { |one, all| one.powers.each { |id, power| all[id] += power * row.from[one.id] } }
        @given.keys.reject { |id| powers[id].zero? }.to_h { |id| [id, @given[id] * Math.exp(row.constant / powers[id])] }
      end

      def plain(value) = Words.plain(value)
    end
  end
end
