# frozen_string_literal: true

require_relative "../support/core"

# Every series of the demo, each area alone and all together, each extent: text, drawing and lists say the same of every piece.
class LintTest < Minitest::Test
  include DemoCatalogue

  Core = Gimlet::Core
  # One pump of each sort that has other layers or groups.
  SORTS = SNAPSHOT.variants.uniq do |variant|
    series = variant.series
    [series.id, series.stacks.map { |stack| stack.layers_of(variant).size }, series.areas_of(variant).map(&:id)]
  end.freeze
  # What a fate is called where it is listed: exactly one list for each.
  LISTED = { replace: :bought, turn: :back, rework: :back, clean: :back, inspect: :back, keep: :back }.freeze

  Job = Struct.new(:pump, :areas, :extent, :teardown, :demand, :steps, :tightening) do
    def to_s = "#{pump.id}, #{areas.join(' and ')}, #{extent}"
    def text = steps.flat_map(&:text).join(" ")
  end

  def job(pump, areas, extent)
    teardown = Core::Teardown.of(pump, Core::Scope.of(areas, extent: extent))
    tightening = teardown.fasteners.flat_map { |fastener| Core::Tightening::Instruct.call(fastener, pump, unit: "N·m") }
    Job.new(pump, areas, extent, teardown, Core::Demand.new(teardown, snapshot), Core::Plan::Steps.for(teardown),
            Core::Closing.in_order(teardown, tightening))
  end

  JOBS = SORTS.flat_map do |pump|
    areas = pump.series.areas_of(pump).map(&:id)
    (areas.map { |area| [area] } + [areas]).product(Core::Extent::NAMES.keys).map { |some, extent| [pump, some, extent] }
  end.freeze

  WORKED_OUT = [] # rubocop:disable Style/MutableConstant

  # The same for every test.
  def each_job(&)
    WORKED_OUT.concat(JOBS.map { |pump, areas, extent| job(pump, areas, extent) }) if WORKED_OUT.empty?
    WORKED_OUT.each(&)
  end

  # Bought or back, never both, and counted out wherever it can stay behind.
  def test_every_piece_that_comes_out_is_in_one_list
    each_job do |job|
      back = job.demand.keep.flat_map { |piece| piece.positions.map { |position| [piece.name, position, piece.fate] } }
      bought = job.demand.lines.map { |line| line.part.number }
      job.demand.fates.each { |fate| in_one_list(job, fate, back, bought) }
      counted = job.demand.count_out.flat_map { |row| row.pieces.map { |piece| [piece, row.position] } }
      wanted = job.demand.fates.map(&:place).select { |place| place.layer.count_out }.map { |place| [place.layer.name, place.position] }.uniq
      assert_empty wanted - counted.map { |piece, position| [piece.sub(/\A\d+ × /, ""), position] }, job
    end
  end

  def in_one_list(job, fate, back, bought)
    layer = fate.place.layer
    if LISTED.fetch(fate.kind) == :bought
      number = job.demand.number(layer.slot)
      assert(bought.include?(number) || job.demand.missing.any?, "#{job}: #{layer.name} is renewed and not bought")
    else
      assert(back.any? { |name, position, kind| name == job.pump.series.piece(layer.slot) && position == fate.place.position && kind == fate.kind } ||
             back.any? { |name, position, kind| name == layer.name && position == fate.place.position && kind == fate.kind },
             "#{job}: #{layer.name} at #{fate.place.position} is to #{fate.kind}, and in no list")
    end
  end

  # What comes off goes back, each once, and every bolt that was undone is tight at the end.
  def test_everything_goes_back_and_is_tight
    each_job do |job|
      closed = Core::Closing.of(job.teardown)
      assert_equal job.teardown.groups.map(&:id).sort, closed.filter_map(&:group).map(&:id).sort, job
      tightens = job.tightening.map(&:id)
      assert_equal tightens.sort, closed.flat_map(&:tightens).sort, job
      assert_equal closed.flat_map(&:tightens), tightens, job
      slack = job.tightening.select { |one| Core::Tightening::Kinds.of(one.tightening).later }.map(&:id)
      slack.each { |id| assert_operator tightens.index("#{id}-again"), :>, tightens.index(id), job }
    end
  end

  # No sentence stands twice on one card, and no caution of a head where there is none.
  def test_nothing_is_said_twice
    each_job do |job|
      job.steps.group_by(&:phase).each do |phase, steps|
        sentences = steps.reject { |step| %w[inlet discharge lower upper top front short long].any? { |word| step.title.include?(word) } }
                         .flat_map { |step| step.text.join(" ").split(/(?<=[.])\s+/) }
        twice = sentences.tally.select { |sentence, times| times > 1 && sentence.size > 40 }
        assert_empty twice, "#{job} #{phase}"
      end
    end
  end

  # A stack of which pieces are renewed or come back is spoken of, by the name of one of its pieces or its own.
  def test_every_stack_that_is_worked_on_is_spoken_of
    each_job do |job|
      told = (job.steps.map(&:title) + job.steps.flat_map(&:text)).join(" ").downcase
      job.teardown.places.group_by(&:stack).each do |stack, places|
        words = [stack.name, *places.map { |place| place.layer.name }].flat_map { |name| name.downcase.delete(",").split.last(1) }
        assert words.any? { |word| told.include?(word) }, "#{job}: nobody speaks of #{stack.name}"
      end
    end
  end

  # The section shows each layer where the list has it, towards the end that its words say, and as no plain box where a direction is told.
  def test_the_drawing_follows_the_list
    SORTS.each do |pump|
      pump.series.stacks.each do |stack|
        layers = stack.layers_of(pump)
        next if layers.empty?

        pieces = Core::Plan::Section.of(stack, pump, snapshot).pieces
        assert_equal(layers.map(&:slot), pieces.map { |piece| stack.layers[piece.at].slot })
        layers.zip(pieces).each { |layer, piece| drawn_as_told(pump, stack, layer, piece) }
        outer = layers.each_index.reject { |at| layers[at].inside }
        assert_equal outer, outer.sort_by { |at| pieces[at].x_mm }, "#{pump.id} #{stack.id}"
      end
    end
  end

  def drawn_as_told(pump, stack, layer, piece)
    ends = Core::Doctor::Facing.new(stack, stack.layers.index(layer)).ends.map(&:last).uniq
    assert_operator ends.size, :<=, 1, "#{pump.id} #{stack.id} #{layer.name}"
    shape = Core::Catalogue::Shapes.of(layer.shape)
    assert_equal ends.first, layer.opens_to, "#{pump.id} #{stack.id} #{layer.name}: #{layer.facing}" if ends.any?
    assert_equal 4, piece.outlines.first.size, layer.name if shape.directed && layer.opens_to.nil? && shape.untold == [Core::Catalogue::Shapes::BOX]
  end

  GRID = 24

  # Turned round, every shape that has a direction looks different in black and white: an eighth of its area or more.
  def test_turned_round_it_looks_different
    Core::Catalogue::Shapes::TABLE.select { |_, shape| shape.directed }.each do |id, shape|
      cells = (0...GRID).to_a.product((0...GRID).to_a).map { |u, v| [(u + 0.5) / GRID, (v + 0.5) / GRID] }
      black = ->(u, v) { shape.outlines.any? { |outline| within?(outline, u, v) } }
      differ = cells.count { |u, v| black.call(u, v) != black.call(1 - u, v) }
      filled = cells.count { |u, v| black.call(u, v) }
      assert_operator differ, :>=, filled / 8.0, id
    end
  end

  # Even and odd crossings of the outline.
  def within?(outline, along, across)
    outline.each_index.count do |at|
      (u1, v1), (u2, v2) = outline[at], outline[(at + 1) % outline.size]
      (v1 > across) != (v2 > across) && along < u1 + ((across - v1) * (u2 - u1) / (v2 - v1).to_f)
    end.odd?
  end
end
