# frozen_string_literal: true

require "fileutils"
require "open3"
require "tempfile"

# GLPK from Debian, asked in the LP format that it reads.
module Glpk
  def sum(terms) = terms.empty? ? "0 dummy" : terms.map { |factor, name| "#{factor} #{name}" }.join(" + ")

  # @param text [String] a program to be minimized
  # @return [Integer] what its aim comes to
  def solve(text)
    Tempfile.create(["order", ".lp"]) do |file|
      file.write(text)
      file.close
      out, status = Open3.capture2e("glpsol", "--lp", file.path, "-w", "#{file.path}.sol")
      solution = File.read("#{file.path}.sol")
      assert(status.success? && solution.match?(/^s mip \d+ \d+ o /), out)
      return solution[/^s mip \d+ \d+ o (\S+)/, 1].to_f.round
    ensure
      FileUtils.rm_f("#{file.path}.sol")
    end
  end
end
