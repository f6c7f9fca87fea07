# frozen_string_literal: true

require_relative "../support/core"

# What hands do on each construction, as it was told before the cards were written so: common practice, no source.
class HandsToldTest < Minitest::Test
  include DemoCatalogue

  TOLD = YAML.load_file(File.expand_path("hands_told.yml", __dir__))

  def plan(pump, area)
    @plans ||= {}
    @plans[[pump, area]] ||= begin
      variant = snapshot.variants_of(pump).last || flunk("no #{pump}")
      Gimlet::Core::Plan::Rebuild.new(snapshot, STOCK).call(variant, scope: [area])
    end
  end

  def kept?(row)
    workup = plan(*row["job"])
    steps = workup.steps.flat_map(&:text)
    lists = (workup.tools + workup.consumables).map(&:name)
    said?(steps, row["done"]) && said?(lists, row["lies"]) && (row["never"] || []).none? { |words| steps.grep(/#{words}/i).any? }
  end

  def said?(texts, patterns) = patterns.nil? || texts.any? { |text| patterns.all? { |words| text.match?(/#{words}/i) } }

  def test_every_act_is_on_the_card
    missing = TOLD.reject { |row| kept?(row) }
    assert_empty(missing.map { |row| row.values.map { |value| Array(value).join(" ") }.join(": ") })
  end
end
