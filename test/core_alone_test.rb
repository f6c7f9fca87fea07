# frozen_string_literal: true

require "minitest/autorun"
require "open3"
require "rbconfig"

# The core loads and its tests pass without the web, the database or a JSON library. Those that take longest run with the rest only.
class CoreAloneTest < Minitest::Test
  SCRIPT = <<~RUBY
    (Dir["test/core/*_test.rb"] - Dir["test/core/{calls,flow,measures,identify,trust,ear,ear_turned,beliefs,plate_match,diagnosis,invariants,strangers,reversals,doctor,assembly,lint}_test.rb"]).each { |file| require "./\#{file}" }
    Minitest.after_run { puts "loaded: \#{%w[Sequel Sinatra JSON Rack SQLite3].select { |name| Object.const_defined?(name) }.inspect}" }
  RUBY

  def test_core_tests_pass_alone
    out, status = Open3.capture2e(RbConfig.ruby, "-e", SCRIPT, chdir: File.expand_path("..", __dir__))
    assert status.success?, out
    assert_match(/ 0 failures, 0 errors/, out)
    assert_includes out, "loaded: []"
  end
end
