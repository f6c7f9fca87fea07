# frozen_string_literal: true

require_relative "../7_tools/tool_list"
require_relative "gap"
require_relative "hand_tools"
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
      # @param pieces [String] names of the pieces of the series, in lower case
      def initialize(steps, on_file, pieces)
        @on_file = on_file
        @pieces = pieces
        @drives = on_file.select { |tool| tool.kind == "drive" }.map(&:name)
        @lacks = steps.to_h { |step| [step, lacking(step)] }.compare_by_identity
        @named = steps.to_h { |step| [step, unlisted(step)] }.compare_by_identity
      end

      # @return [Array<Plan::Step>] each saying what is not on file of it
      def steps
        @lacks.map do |step, verbs|
          unknown = verbs.reject(&:usual)
          unknown.empty? ? step : step.with(text: step.text + unknown.map { |verb| format(LACKS, verb.does) })
        end
      end

      # @return [Array<Tools::Needed>] what is on file, and what is taken anyway; one that lies there for another step does
      def tools
        there = @on_file.map(&:name) | @lacks.keys.flat_map(&:tools)
        there |= @lacks.values.flatten.uniq.reject { |verb| lies?(there, verb.means) }.filter_map(&:usual)
        there |= @named.values.flatten.uniq.reject { |word| lies?(there, HandTools::NAMED.fetch(word)) }
        @on_file + (there - @on_file.map(&:name)).map { |name| Tools::Needed.new(name: name, kind: "common", why: USUAL) }
      end

      # @return [Array<Gap>]
      def gaps
        untold = @lacks.flat_map do |step, verbs|
          verbs.reject(&:usual).map { |verb| Gap.new(place: step.title, text: "what #{verb.does} it is not told: name the tool, or “by hand”.") }
        end
        # What is done when all is closed has no list of its own.
        listed = @named.reject { |step, _| step.phase.match?(/finish|after/) }
        untold + listed.flat_map do |step, words|
          words.map { |word| Gap.new(place: step.title, text: "uses “#{word}”, which is not among its tools: name it there.") }
        end
      end

      private

      def lacking(step)
        step.text.flat_map { |text| Verbs.in(text).reject { |verb| means?(verb, text, step.tools) } }.uniq
      end

      def lies?(tools, means) = tools.any? { |name| name.match?(means) }

      # @return [Array<String>] tools that its sentences name and its list lacks
      def unlisted(step)
        said = step.text.map { |text| HandTools.in(text, @pieces) }.reduce({}, :merge)
        said.reject { |_, name| lies?((step.tools + @drives).map(&:downcase), name) }.keys
      end

      def means?(verb, text, tools)
        text.gsub(verb.said, "").match?(verb.means) || lies?(tools, verb.means)
      end
    end
  end
end
