# frozen_string_literal: true

require_relative "../../plain"
require_relative "rule"

module Gimlet::Core
  module Ear
    module Rules
      # A ring, a seal or a groove by its sizes: "o-ring 15.6 x 1.78", "ring 16 inside, 2 thick", "7mm id 11mm od", "seal 20x28x6", "seal 20 28
      # 6", "oil seal 24x35x7", "groove 3.2 wide, 16 at the bottom, bore 20".
      class Sized < Rule
        # A second size so much smaller than the first is the section, not the outer diameter.
        SECTION_AT_MOST = Rational(4, 10)
        REACH = 16
        OLD = %w[old used worn swollen flat perished].freeze
        KINDS = { "seal" => :seal, "oring" => :ring, "groove" => :groove }.freeze
        LIP = { "inner_mm" => "seal_id_mm", "outer_mm" => "seal_od_mm", "height_mm" => "seal_height_mm" }.freeze
        GROOVE = { "inner_mm" => "inner_mm", "outer_mm" => "outer_mm", "width_mm" => "width_mm", "section_mm" => "width_mm",
                   "height_mm" => "width_mm" }.freeze
        # Sizes that nothing was named for.
        UNNAMED = 0.8

        Told = Value.of(:kind, :axes, :row, :old, :ending)

        def call(place)
          return NONE unless slot(place) || OLD.include?(norm(place)) || axis_near?(place)

          [made(place, read(place))].compact
        end

        private

        def slot(place)
          piece = place < lattice.size && lattice.phrases_at(place).find { |one| KINDS[one.says(:slot)] && one.slip.zero? }
          piece unless piece && lattice.phrases_at(place).any? { |one| one.to > piece.to && one.slip.zero? && one.areas.none? }
        end

        def sizes_at(place) = place < lattice.size ? pieces(place).find { |one| one.sizes && !one.alien } : nil

        def figure_at(place)
          place < lattice.size ? lattice.figures_at(place).find { |one| !one.alien && [nil, "mm", "in"].include?(one.unit) } : nil
        end

        def axis_at(place) = place < lattice.size ? lattice.phrases_at(place).find { |one| one.says(:axis) && one.slip.zero? } : nil

        # "16 at the inside"
        def axis_behind(place)
          place += 1 while place < lattice.size && axis_at(place).nil? && lattice.idle?(place) && !lattice.separator?(place)
          axis_at(place)
        end

        def axis_near?(place)
          figure = figure_at(place)
          (figure && axis_behind(figure.to)) || (sizes_at(place) && slot(skip(sizes_at(place).to)))
        end

        def read(place)
          told = Told.new(kind: nil, axes: {}, row: [], old: nil, ending: nil)
          at = place
          while at < lattice.size && at - place < REACH
            following, told = step(at, told)
            break unless following

            at = following
          end
          told
        end

        # @return [Array(Integer, Told)] past what is of it here
        def step(at, told)
          return [at + 1, told.with(old: true)] if OLD.include?(norm(at))
          return named(at, told) if slot(at) && (told.kind.nil? || KINDS[slot(at).says(:slot)] == told.kind)
          return [sizes_at(at).to, row(told, sizes_at(at))] if sizes_at(at) && told.row.empty?
          return axis_first(at, told) if axis_opens?(at, told)
          return figure(at, told) if figure_at(at)

          [past_small(at, told), told]
        end

        def axis_opens?(at, told) = axis_at(at) && figure_at(skip(axis_at(at).to)) && !told.axes.key?(axis_name(axis_at(at), told))

        # @return [Integer, nil] past what says nothing of it; a comma where more comes behind
        def past_small(at, told)
          return (at + 1 if !lattice.stop?(at) && more_of?(at + 1, told)) if lattice.separator?(at)
          return at + 1 if lattice.mark?(at)

          %i[tool filler hedge].lazy.flat_map { |small| says(at, small) }.first&.to
        end

        # "brown seal, 20 by 28"
        def more_of?(place, told) = more?(place) || (told.kind && told.row.empty? && told.axes.empty? && sizes_at(skip(place)))

        def more?(place)
          place = skip(place)
          (figure_at(place) && axis_behind(figure_at(place).to)) || (axis_at(place) && figure_at(skip(axis_at(place).to)))
        end

        def named(at, told)
          piece = slot(at)
          [piece.to, told.with(kind: KINDS[piece.says(:slot)], ending: [told.ending || 0, piece.to].max)]
        end

        def row(told, piece) = told.with(row: piece.sizes.map { |size| [size, piece.unit] }, ending: piece.to)

        # "bore 20", "id 7"
        def axis_first(at, told)
          figure = figure_at(skip(axis_at(at).to))
          axis = axis_at(figure.to)
          return figure(at, told) if axis && told.axes.empty? && figure_at(skip(axis.to)).nil?

          [figure.to, sized(told, axis_at(at), figure, figure.to)]
        end

        # "16 inside", or one of a row
        def figure(at, told)
          figure = figure_at(at) or return [nil, told]
          axis = axis_behind(figure.to)
          return [axis.to, sized(told, axis, figure, axis.to)] if axis && !told.axes.key?(axis_name(axis, told))
          return [nil, told] if told.kind.nil? || told.row.size == 3 || told.axes.any? || told.row.any? do |_, unit|
            unit && figure.unit && unit != figure.unit
          end

          [figure.to, told.with(row: [*told.row, [figure.figure, figure.unit]], ending: figure.to)]
        end

        def sized(told, axis, figure, ending)
          told.with(axes: { **told.axes, axis_name(axis, told) => [figure.figure, figure.unit] }, ending: ending)
        end

        # The bore that a groove lies in is its outside.
        def axis_name(axis, told) = told.kind == :groove && norm(axis.from) == "bore" ? "outer_mm" : axis.says(:axis)

        def made(place, told)
          return if told.ending.nil? || told.row.size == 1 || told.row.size + told.axes.size < 2

          sizes = named_sizes(told)

          items = items(told.kind || :ring, sizes, told, place) or return
          cost = Costs::RULE - 0.3 + (told.kind ? 0 : UNNAMED)
          candidate(place, told.ending, items, cost: cost, strong: true, weak: told.kind ? 0.5 : 2)
        end

        # @return [Hash{String=>Array(Rational, String)}]
        def named_sizes(told)
          unit = [*told.axes.values, *told.row].filter_map(&:last).last
          found = told.row.any? ? row_names(told).first(told.row.size).zip(told.row).to_h.merge(told.axes) : told.axes
          found.transform_values { |size, own| [size, own || unit] }
        end

        def row_names(told)
          return %w[inner_mm outer_mm width_mm] if told.kind == :groove
          return %w[inner_mm outer_mm height_mm] if told.kind == :seal
          return %w[inner_mm outer_mm section_mm] if told.row.size > 2

          ["inner_mm", told.row[1].first < told.row[0].first * SECTION_AT_MOST ? "section_mm" : "outer_mm"]
        end

        def items(kind, sizes, told, place)
          case kind
          when :groove then groove(sizes, told, place)
          when :seal then seal(sizes, told, place)
          else ring(sizes, told, place)
          end
        end

        def ring(sizes, told, place)
          sizes = sizes.transform_keys { |name| %w[height_mm width_mm].include?(name) ? "section_mm" : name }
          inner, outer, section = sizes.values_at("inner_mm", "outer_mm", "section_mm")
          return unless inner && (outer || section)

          thick = section ? section.first : (outer.first - inner.first) / 2
          measure = { "what" => "seal", "measure" => { **texts(sizes), "old" => told.old }.compact }
          readings = { "oring_id_mm" => inner.first, "oring_section_mm" => thick }.select { |_, size| size.positive? }
          [item(measure, readings, inner.last || outer&.last, told, place)]
        end

        def seal(sizes, told, place)
          sizes = sizes.transform_keys { |name| %w[section_mm width_mm].include?(name) ? "height_mm" : name }
          return unless sizes.size >= 2 && sizes.keys.all? { |name| LIP.key?(name) }

          # As the bench takes it, a seal is known by both its diameters.
          if sizes.key?("inner_mm") && sizes.key?("outer_mm")
            measure = { "what" => "seal",
                        "measure" => { "kind" => "lip", **texts(sizes, "mm"),
                                       "tool" => tool(place) }.compact }
          end
          [item(measure, sizes.to_h { |name, (size, _)| [LIP.fetch(name), size] }, sizes.values.first.last, told, place)]
        end

        def groove(sizes, told, place)
          gland = texts(sizes).transform_keys { |name| GROOVE.fetch(name) }
          return unless gland.size >= 2

          [{ measure: { "what" => "seal", "measure" => { "gland" => gland } }, from: place, to: told.ending }]
        end

        def item(measure, sizes, unit, told, place)
          readings = sizes.flat_map { |id, size| reading(trait(id), { value: size, unit: unit || "mm" }, place, told.ending)[:readings] }
          { measure: measure, readings: readings, from: place, to: told.ending }.compact
        end

        def texts(sizes, usual = nil) = sizes.to_h { |name, (size, unit)| [name, [written(size, unit), unit || usual].compact.join(" ")] }

        # Eighths of an inch are written as such.
        def written(size, unit)
          unless unit == "in" && size.denominator > 1 && size.denominator <= 64 && size.denominator.nobits?(size.denominator - 1)
            return Plain.number(size,
                                4)
          end

          whole, rest = size.divmod(1)
          [whole.zero? ? nil : whole, rest].compact.join(" ")
        end
      end
    end
  end
end
