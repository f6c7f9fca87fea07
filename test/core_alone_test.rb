# frozen_string_literal: true

require "minitest/autorun"
require "open3"
require "rbconfig"

# The core loads, all of it, and some of its tests pass without the web, the database or a JSON library; the others run with the rest only.
class CoreAloneTest < Minitest::Test
  SCRIPT = <<~RUBY
    names = %w[catalogue desk order tightening]
    names.each { |name| require "./test/core/\#{name}_test" }
    Minitest.after_run { puts "loaded: \#{%w[Sequel Sinatra JSON Rack SQLite3].select { |name| Object.const_defined?(name) }.inspect}" }
  RUBY

  def test_core_tests_pass_alone
    out, status = Open3.capture2e(RbConfig.ruby, "-e", SCRIPT, chdir: File.expand_path("..", __dir__))
    assert status.success?, out
    assert_match(/ 0 failures, 0 errors/, out)
    assert_includes out, "loaded: []"
  end
end
