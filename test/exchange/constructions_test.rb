# frozen_string_literal: true

require_relative "../support/core"
require_relative "../support/constructions"
require "gimlet/exchange/outside_svg"
require "gimlet/exchange/section_svg"

# The page that tells how the demo's pumps go together: every construction has its section, its drawing is that of the software, and what it says is
# printed on the card of the job.
class ConstructionsTest < Minitest::Test
  include DemoCatalogue

  DOCS = File.expand_path("../../docs", __dir__)
  PAGE = File.read("#{DOCS}/constructions.md")
  SECTIONS = PAGE.split(/^## /).drop(1).to_h { |section| section.split("\n", 2) }

  def test_the_drawings_are_those_of_the_software
    pictures = Constructions.pictures(snapshot)
    assert_equal pictures.keys.sort, Dir["#{DOCS}/constructions/*.svg"].map { |file| File.basename(file, ".svg") }.sort
    pictures.each do |name, picture|
      assert_equal picture, File.read("#{DOCS}/constructions/#{name}.svg"), "#{name}: run bin/constructions"
      assert_includes PAGE, "(constructions/#{name}.svg)"
    end
  end

  def test_every_series_has_its_section
    snapshot.series.each do |series|
      title, text = SECTIONS.find { |name, _| name.match?(/\(.*\b#{series.name}\b|\b#{series.name}\b.*\)/) } || flunk("no section for #{series.name}")
      assert_operator text.scan(/^- /).size, :>=, 8, title
    end
    assert_equal snapshot.series.map(&:construction).uniq.size, Constructions::DRAWN.size - 1, "one twice: loose poppets and one-piece valves"
  end

  # Every piece that is drawn is named, numbered in its order, and each outline lies within the picture.
  def test_what_a_picture_shows
    pump = variant("DK420")
    layers = pump.series.stack("packing").layers
    picture = Gimlet::Exchange::SectionSvg.call(pump, ["packing"], snapshot)
    layers.each.with_index(1) { |layer, at| assert_match(/>#{at} +#{Regexp.escape(layer.name)}/, picture) }
    assert_includes picture, "&lt; bottom of the bore"
    width, height = picture.match(/viewBox="0 0 (\d+) ([\d.]+)"/).captures.map(&:to_f)
    picture.scan(/points="([^"]+)"/).flatten.flat_map(&:split).each do |point|
      left, top = point.split(",").map(&:to_f)
      assert left.between?(0, width) && top.between?(0, height), point
    end
  end
end
