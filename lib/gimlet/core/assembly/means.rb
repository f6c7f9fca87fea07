# frozen_string_literal: true

require_relative "../7_tools/tool_list"
require_relative "gap"
require_relative "verbs"

module Gimlet::Core
  module Assembly
    # Holds what the steps say against what is in hand: what the trade takes anyway is added to the list and marked so, and where it cannot be said
    # with what a thing is done, the step says that.
    #
    #   Means.new(steps, tools).steps.last.text # => ["Pull the seal.", "What draws it is not on file: see the maker's manual."]
    class Means
      USUAL = "common practice"
      LACKS = "What %s it is not on file: see the maker's manual."

      # @param steps [Array<Plan::Step>] of the work
      # @param on_file [Array<Tools::Needed>]
      def initialize(steps, on_file)
        @on_file = on_file
        @lacks = steps.to_h { |step| [step, lacking(step)] }.compare_by_identity
      end

      # @return [Array<Plan::Step>] each saying what is not on file of it
      def steps
        @lacks.map do |step, verbs|
          unknown = verbs.reject(&:usual)
          unknown.empty? ? step : step.with(text: step.text + unknown.map { |verb| format(LACKS, verb.does) })
        end
      end

      # @return [Array<Tools::Needed>] what is on file, and what is taken anyway
      def tools
        usual = @lacks.values.flatten.filter_map(&:usual) + @lacks.keys.flat_map(&:tools)
        @on_file + (usual.uniq - @on_file.map(&:name)).map { |name| Tools::Needed.new(name: name, kind: "common", why: USUAL) }
      end

      # @return [Array<Gap>]
      def gaps
        @lacks.flat_map do |step, verbs|
          verbs.reject(&:usual).map { |verb| Gap.new(place: step.title, text: "what #{verb.does} it is not told: name the tool, or “by hand”.") }
        end
      end

      private

      def lacking(step)
        step.text.flat_map { |text| Verbs.in(text).reject { |verb| means?(verb, text, step.tools) } }.uniq
      end

      def means?(verb, text, tools)
        text.gsub(verb.said, "").match?(verb.means) || tools.any? { |name| name.match?(verb.means) }
      end
    end
  end
end
